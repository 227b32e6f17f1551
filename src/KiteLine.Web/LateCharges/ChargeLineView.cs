namespace KiteLine.Web;

/// <param name="Amount">Without tax, the correction included.</param>
/// <param name="Correction">What earlier charges would be now, less what was raised.</param>
internal sealed record ChargeLineView(
    long ItemId,
    string Document,
    string Due,
    string Amount,
    int Days,
    IReadOnlyList<SegmentLine> Segments,
    string Correction,
    bool CutOff
);
