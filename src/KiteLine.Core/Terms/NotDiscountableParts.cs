namespace KiteLine.Core;

/// <summary>The part of an invoice that is not discountable, by its lines.</summary>
/// <param name="Net">Before tax.</param>
/// <param name="Tax">The tax on it.</param>
public sealed record NotDiscountableParts(Money Net, Money Tax);
