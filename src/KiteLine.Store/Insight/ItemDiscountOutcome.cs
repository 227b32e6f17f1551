using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What became of the discounts of an item.</summary>
/// <param name="Item">Its identifier.</param>
public readonly record struct ItemDiscountOutcome(long Item, DiscountOutcome Outcome);
