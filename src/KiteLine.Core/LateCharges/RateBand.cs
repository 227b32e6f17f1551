namespace KiteLine.Core;

/// <summary>The part of a balance above an amount bears this annual rate in percent instead.</summary>
public sealed record RateBand(decimal Above, decimal AnnualRate);
