namespace KiteLine.Core;

/// <summary>The part of a tax that one authority levies.</summary>
/// <param name="Authority">Who levies it.</param>
/// <param name="Percent">Of the net amount.</param>
public sealed record TaxComponent(string Authority, decimal Percent);
