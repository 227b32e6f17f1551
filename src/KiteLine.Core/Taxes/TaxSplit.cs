namespace KiteLine.Core;

/// <summary>The tax on one invoice.</summary>
/// <param name="Taxed">The net amount that is taxed.</param>
/// <param name="Tax">The whole tax.</param>
/// <param name="Parts">Each authority's part; they add up to the whole.</param>
public sealed record TaxSplit(Money Taxed, Money Tax, IReadOnlyList<(TaxComponent Component, Money Amount)> Parts);
