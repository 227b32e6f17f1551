namespace KiteLine.Core;

/// <summary>A run of days over which balance, rate and band stay the same.</summary>
/// <param name="From">The first day charged.</param>
/// <param name="To">The last day charged.</param>
/// <param name="Balance">The part of the balance that bears the rate, in major units.</param>
/// <param name="AnnualRate">Percent per year.</param>
/// <param name="Fraction">Year fraction from the eve of <paramref name="From"/> to <paramref name="To"/>.</param>
/// <param name="Amount">Balance × rate × fraction, not rounded.</param>
public readonly record struct ChargeSegment(
    DateOnly From, DateOnly To, decimal Balance, decimal AnnualRate, decimal Fraction, decimal Amount)
{
    /// <summary>Calendar days from the first to the last, both counted.</summary>
    public int Days => To.DayNumber - From.DayNumber + 1;
}
