namespace KiteLine.Core;

/// <summary>The rate of a tax code from a day on, that day included, and what it is made of.</summary>
/// <param name="Percent">The whole rate; its components add up to it.</param>
public sealed record TaxRate(DateOnly From, decimal Percent, IReadOnlyList<TaxComponent> Components);
