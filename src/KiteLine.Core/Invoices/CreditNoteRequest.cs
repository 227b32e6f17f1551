namespace KiteLine.Core;

/// <summary>A credit note as a controller enters it. Its amounts are stated positive.</summary>
/// <param name="Number">Null for the next of the series.</param>
/// <param name="Amounts">The totals; null where lines are given, which add up to them.</param>
/// <param name="Invoice">The number of the invoice that it credits; null for none.</param>
/// <param name="Settles">What of it is set against which items, by their identifiers. Null sets it
/// against the invoice that it names, oldest due first; what is over stays on account.</param>
public sealed record CreditNoteRequest(
    string? Number,
    DateOnly Date,
    InvoiceAmounts? Amounts,
    string? Invoice,
    string Reference,
    IReadOnlyDictionary<long, Money>? Settles = null,
    string Reason = ""
)
{
    /// <summary>What it is of; empty where totals alone are known.</summary>
    public IReadOnlyList<DocumentLine> Lines { get; init; } = [];

    /// <summary>What the credit note is of.</summary>
    /// <param name="code">Finds a tax code; null where there is none of this name.</param>
    /// <exception cref="RefusedException">Neither lines nor totals, or a tax code that is not known.</exception>
    public DocumentContent Content(Currency currency, Func<string, TaxCode?> code, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return Lines.Count == 0
            ? DocumentContent.Of(Amounts ?? throw new RefusedException("net", "Give the net amount, or lines."))
            : DocumentContent.Of(
                Lines,
                DocumentTotals.Of(Lines, currency, code, Date, rules.Rounding),
                DiscountBase.Gross
            );
    }
}
