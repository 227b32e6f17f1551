namespace KiteLine.Core;

/// <summary>An order as it came in, and what its check came to.</summary>
/// <param name="On">The business date.</param>
/// <param name="Total">With tax.</param>
/// <param name="Held">What of it was held.</param>
/// <param name="Reason">What was stated for it to go on; empty where nothing was.</param>
/// <param name="Found">What the check found.</param>
public sealed record CheckedOrder(
    long Id,
    string Number,
    DateOnly On,
    Money Total,
    Money Held,
    string Reason,
    IReadOnlyList<CheckFinding> Found
);
