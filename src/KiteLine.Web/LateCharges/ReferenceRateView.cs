namespace KiteLine.Web;

internal sealed record ReferenceRateView(
    string Code,
    string Name,
    int Version,
    IReadOnlyList<RateShape> Rates,
    long Uses,
    string MadeBy,
    string MadeAt
);
