using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>One line of an invoice or credit note; amounts and quantities are decimals as texts.</summary>
/// <param name="Net">Quantity times unit price where it is left out; may be given instead of both.</param>
/// <param name="TaxCode">The customer's where it is left out; empty for no tax.</param>
/// <param name="Discountable">Whether an early-payment discount is taken of it; true unless set.</param>
/// <param name="Freight">Whether it is freight, which some tax codes do not tax.</param>
internal sealed record DocumentLineShape(
    [property: MostCharacters(Bounds.FieldValue)] string? Text,
    string? Quantity,
    string? UnitPrice,
    string? Net,
    string? TaxCode,
    bool? Discountable,
    bool? Freight
);
