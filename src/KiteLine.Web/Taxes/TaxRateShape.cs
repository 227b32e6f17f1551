namespace KiteLine.Web;

internal sealed record TaxRateShape(
    [property: TextOf(typeof(DateOnly))] string? From,
    string? Percent,
    IReadOnlyList<TaxComponentShape>? Components
);
