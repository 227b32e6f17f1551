namespace KiteLine.Core;

/// <summary>What one item gets. A credit that is used has its cash below zero.</summary>
/// <param name="Settlement">Its parts add up to what is open.</param>
public sealed record AllocationLine(AllocationItem Item, ItemSettlement Settlement);
