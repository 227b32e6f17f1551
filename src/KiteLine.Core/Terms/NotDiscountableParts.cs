namespace KiteLine.Core;

/// <summary>What of an invoice bears no discount, by its lines.</summary>
/// <param name="Net">Before tax.</param>
/// <param name="Tax">The tax on it.</param>
public sealed record NotDiscountableParts(Money Net, Money Tax);
