using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxCodeRequest(
    string? Code,
    string? Name,
    IReadOnlyList<TaxRateShape>? Rates,
    bool? FreightTaxed,
    string? Reason
);
