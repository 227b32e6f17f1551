namespace KiteLine.Web;

/// <param name="Rows">Those that are not the same as before, at most 500.</param>
internal sealed record ExchangeResult(
    bool Stored,
    int New,
    int Changed,
    int Same,
    int Refused,
    IReadOnlyList<ExchangeRow> Rows
);
