namespace KiteLine.Core;

/// <summary>A fixed sum charged once for an item that is late.</summary>
/// <param name="From">The least amount overdue from which the sum holds, in major units; 0 for the first.</param>
/// <param name="Amount">The sum in major units.</param>
public sealed record CompensationBand(decimal From, decimal Amount);
