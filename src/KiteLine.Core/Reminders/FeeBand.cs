namespace KiteLine.Core;

/// <summary>The fee of letters that ask for at least an amount.</summary>
/// <param name="From">The least overdue amount from which it holds, in major units; 0 for the first.</param>
/// <param name="Amount">The fee in major units; may be zero.</param>
public sealed record FeeBand(decimal From, decimal Amount);
