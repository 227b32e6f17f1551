namespace KiteLine.Core;

/// <summary>The highest rate the law allows.</summary>
/// <param name="Rate">Percent a year.</param>
/// <param name="Source">Where it is laid down; named when a higher rate is refused.</param>
public sealed record RateCeiling(decimal Rate, string Source);
