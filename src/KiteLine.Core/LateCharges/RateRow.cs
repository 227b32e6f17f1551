namespace KiteLine.Core;

/// <summary>An annual rate in percent that holds from a day on, that day included.</summary>
public sealed record RateRow(DateOnly From, decimal AnnualRate);
