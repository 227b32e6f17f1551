using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What became of the discounts of an item.</summary>
/// <param name="Item">Its identifier.</param>
/// <param name="Document">The number of its document, with the instalment where there are several.</param>
public sealed record ItemDiscountOutcome(long Item, string Document, DiscountOutcome Outcome);
