namespace KiteLine.Core;

/// <summary>An item with what its document says of terms.</summary>
/// <param name="Item">With the discounts of its own terms, and all its movements.</param>
/// <param name="Offer">What new terms work on; null where the document is no invoice, has further items, or was brought in
/// with the books in part.</param>
public sealed record ReplayItem(Item Item, ItemOffer? Offer);
