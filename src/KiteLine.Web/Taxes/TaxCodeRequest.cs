using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxCodeRequest(
    string? Code,
    string? Name,
    [property: MostEntries(Bounds.Rates)] IReadOnlyList<TaxRateShape>? Rates,
    bool? FreightTaxed,
    string? Reason
);
