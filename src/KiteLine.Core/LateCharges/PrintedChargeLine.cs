namespace KiteLine.Core;

/// <summary>What one item was charged, as it is printed.</summary>
/// <param name="From">The first day charged.</param>
/// <param name="Through">The last day charged.</param>
/// <param name="Amount">Without tax.</param>
/// <param name="Correction">What of it puts earlier charges right; zero where nothing does.</param>
public sealed record PrintedChargeLine(
    string Document,
    DateOnly Due,
    DateOnly From,
    DateOnly Through,
    Money Amount,
    Money Correction
);
