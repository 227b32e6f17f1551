namespace KiteLine.Core;

/// <summary>A run of days over which balance, rate and band stay the same.</summary>
/// <param name="From">The first day charged.</param>
/// <param name="To">The last day charged.</param>
/// <param name="Balance">The part of the balance that bears the rate, in major units.</param>
/// <param name="AnnualRate">Percent per year.</param>
/// <param name="Part">Of a year, from the eve of <paramref name="From"/> to <paramref name="To"/>.</param>
public readonly record struct ChargeSegment(
    DateOnly From,
    DateOnly To,
    decimal Balance,
    decimal AnnualRate,
    YearFraction Part
)
{
    /// <summary>The part of a year as a decimal, cut off after 28 digits.</summary>
    public decimal Fraction => Part.Value;

    /// <summary>Balance × rate × fraction, not rounded; multiplied before it is divided.</summary>
    public decimal Amount => Weight / (Part.Denominator * 100m);

    /// <summary>Calendar days from the first to the last, both counted.</summary>
    public int Days => To.DayNumber - From.DayNumber + 1;

    /// <summary>What the segment adds to the sum before that is divided.</summary>
    private decimal Weight => Balance * AnnualRate * Part.Numerator;

    /// <summary>
    /// The sum of segments, not rounded. Segments of one policy have one denominator, so the sum is divided once and is
    /// exact where it is a tie: 679.75 at 6 % for 120/360 is 13.595.
    /// </summary>
    public static decimal Sum(IReadOnlyList<ChargeSegment> segments)
    {
        ArgumentNullException.ThrowIfNull(segments);
        if (segments.Count == 0)
            return 0;
        var (sum, over, denominator) = (0m, 0m, segments[0].Part.Denominator);
        for (var i = 0; i < segments.Count; i++)
        {
            if (segments[i].Part.Denominator == denominator)
                sum += segments[i].Weight;
            else
                over += segments[i].Amount;
        }

        // What shares of an account's balance leave beyond 18 decimals is noise of their own division.
        return Math.Round((sum / (denominator * 100m)) + over, 18);
    }
}
