namespace KiteLine.Core;

/// <summary>A held order as the queue sees it.</summary>
public sealed record HeldOrder(long Id, string Number, DateOnly Date, BookAccount Account, Money Held, string Findings);
