using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Amount">Without tax, the correction included.</param>
/// <param name="Correction">What earlier charges would be now, less what was raised.</param>
internal sealed record ChargeLineView(
    long ItemId,
    string Document,
    DateOnly Due,
    Money Amount,
    int Days,
    IReadOnlyList<SegmentLine> Segments,
    Money Correction,
    bool CutOff
);
