namespace KiteLine.Core;

/// <summary>An invoice as a controller enters it, or makes it of an order.</summary>
/// <param name="Number">Null for the next of the series.</param>
/// <param name="Amounts">The totals; null where lines are given, which add up to them.</param>
/// <param name="Terms">Null for those of its order, or else the customer's.</param>
/// <param name="Reason">Why it may go on when a finding asks for one.</param>
public sealed record InvoiceRequest(
    string? Number,
    DateOnly Date,
    InvoiceAmounts? Amounts,
    string? Terms,
    string Reference,
    long? OrderId,
    int? OrderSeq,
    string Reason = ""
)
{
    /// <summary>What it is of; empty where totals alone are known.</summary>
    public IReadOnlyList<DocumentLine> Lines { get; init; } = [];

    /// <summary>Takes the place of the terms' discounts on this invoice; null for none.</summary>
    public OneOffDiscount? OneOff { get; init; }

    /// <summary>
    /// The posting of a wrong invoice of the account, which is reversed by the same step; null for none. The reason is then
    /// needed.
    /// </summary>
    public long? Replaces { get; init; }

    /// <summary>The same for a customer who is exempt: no line is taxed, also where it names a tax code.</summary>
    public InvoiceRequest Exempt() => this with { Lines = [.. Lines.Select(l => l with { TaxCode = "" })] };

    /// <summary>What the invoice is of.</summary>
    /// <param name="code">Finds a tax code; null where there is none of this name.</param>
    /// <exception cref="RefusedException">Neither lines nor totals, both, or a tax code that is not known.</exception>
    public DocumentContent Content(Terms terms, Currency currency, Func<string, TaxCode?> code, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(rules);
        return Lines.Count == 0
            ? DocumentContent.Of(Amounts ?? throw new RefusedException("net", "Give the net amount, or lines."))
            : DocumentContent.Of(
                Lines,
                DocumentTotals.Of(Lines, currency, code, Date, rules.Rounding),
                terms.Conditions.Base
            );
    }
}
