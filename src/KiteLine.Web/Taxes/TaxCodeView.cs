namespace KiteLine.Web;

internal sealed record TaxCodeView(
    string Code,
    string Name,
    int Version,
    IReadOnlyList<TaxRateShape> Rates,
    bool FreightTaxed,
    long Uses,
    string MadeBy,
    string MadeAt
);
