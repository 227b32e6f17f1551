namespace KiteLine.Core;

/// <summary>
/// A change of an item's balance at the end of a day, in major units; that day is still charged on the old balance.
/// </summary>
public readonly record struct BalanceChange(DateOnly Date, decimal Amount);
