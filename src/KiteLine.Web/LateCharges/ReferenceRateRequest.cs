using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ReferenceRateRequest(
    string? Code,
    string? Name,
    IReadOnlyList<RateShape>? Rates,
    string? Reason
);
