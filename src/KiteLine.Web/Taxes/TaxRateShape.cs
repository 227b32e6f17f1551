using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TaxRateShape(
    [property: TextOf(typeof(DateOnly))] string? From,
    string? Percent,
    [property: MostEntries(Bounds.Bands)] IReadOnlyList<TaxComponentShape>? Components
);
