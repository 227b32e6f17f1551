namespace KiteLine.Core;

/// <summary>What one account adds to its group.</summary>
/// <param name="Exposure">In the group's currency; null where a rate of the day is missing.</param>
public sealed record GroupPart(AccountPosition Position, Money? Exposure, ExchangeRate? Rate);
