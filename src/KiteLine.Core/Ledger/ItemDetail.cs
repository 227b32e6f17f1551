namespace KiteLine.Core;

/// <summary>An item with what its document says.</summary>
/// <param name="Number">The document number.</param>
/// <param name="Terms">The terms in shorthand, empty where there are none.</param>
public sealed record ItemDetail(Item Item, string Number, string Terms, InvoiceAmounts Amounts, string Reference)
{
    /// <summary>Numbers of reminders that stand and asked for it, where something is open.</summary>
    public IReadOnlyList<string> Letters { get; init; } = [];

    /// <summary>What the document says of terms; null where it has none, or is no invoice.</summary>
    public ItemOffer? Offer { get; init; }
}
