namespace KiteLine.Core;

/// <summary>The invoice that a credit note names.</summary>
/// <param name="Id">The document's identifier.</param>
/// <param name="Gross">What it came to.</param>
/// <param name="Credited">What credit notes that stand have credited of it so far.</param>
/// <param name="Items">Its open items, oldest due first.</param>
public sealed record CreditedInvoice(
    long Id,
    string Number,
    DateOnly Date,
    Money Gross,
    Money Credited,
    IReadOnlyList<Item> Items
);
