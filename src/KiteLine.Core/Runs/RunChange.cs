namespace KiteLine.Core;

/// <summary>One decision of a controller about an account of a run.</summary>
/// <param name="Item">The item that it is about, or null.</param>
/// <param name="Amount">What the item is cut to, without tax; null for anything else.</param>
/// <param name="Level">The level that the letter speaks at; null for anything else.</param>
public sealed record RunChange(RunChangeKind Kind, long? Item, Money? Amount, int? Level, string Reason);
