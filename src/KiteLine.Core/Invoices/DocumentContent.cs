namespace KiteLine.Core;

/// <summary>What an invoice or a credit note is of: its lines, or totals alone.</summary>
/// <param name="Amounts">What terms work on.</param>
/// <param name="Lines">Empty where totals alone are known.</param>
/// <param name="Taxes">The taxes of the lines; together they are the tax. Empty where totals alone are known.</param>
public sealed record DocumentContent(
    InvoiceAmounts Amounts,
    IReadOnlyList<DocumentLine> Lines,
    IReadOnlyList<DocumentTax> Taxes
)
{
    /// <summary>Totals alone.</summary>
    public static DocumentContent Of(InvoiceAmounts amounts) => new(amounts, [], []);

    /// <summary>Lines that add up to these totals.</summary>
    /// <param name="of">What discounts are taken of.</param>
    public static DocumentContent Of(IReadOnlyList<DocumentLine> lines, DocumentTotals totals, DiscountBase of)
    {
        ArgumentNullException.ThrowIfNull(totals);
        return new(totals.Amounts(of), lines, totals.Taxes);
    }
}
