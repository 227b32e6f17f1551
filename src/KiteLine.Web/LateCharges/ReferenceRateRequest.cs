using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReferenceRateRequest(
    string? Code,
    string? Name,
    [property: MostEntries(Bounds.Rates)] IReadOnlyList<RateShape>? Rates,
    string? Reason
);
