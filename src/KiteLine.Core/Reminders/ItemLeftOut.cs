namespace KiteLine.Core;

/// <summary>An overdue item that is left out, whole or in part.</summary>
/// <param name="Reason">In a word or two, as it stands in lists.</param>
/// <param name="Amount">What of it is left out.</param>
public sealed record ItemLeftOut(Item Item, string Reason, Money Amount);
