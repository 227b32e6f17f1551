namespace KiteLine.Core;

/// <summary>A credit of the account that is used together with a receipt.</summary>
/// <param name="Item">A credit note, or cash on account.</param>
/// <param name="Amount">What of it is used, above zero and at most what is left of it.</param>
public sealed record UsedCredit(Item Item, Money Amount);
