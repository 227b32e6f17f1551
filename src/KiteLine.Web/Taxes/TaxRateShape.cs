namespace KiteLine.Web;

internal sealed record TaxRateShape(string? From, string? Percent, IReadOnlyList<TaxComponentShape>? Components);
