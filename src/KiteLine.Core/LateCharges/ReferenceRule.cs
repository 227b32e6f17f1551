namespace KiteLine.Core;

/// <summary>Statutory interest: a reference rate plus a margin, by half-years.</summary>
/// <param name="Code">The reference rate's code.</param>
/// <param name="Margin">Points added to it, in percent a year.</param>
/// <param name="FixedForLife">Whether the half-year in which the debt became late gives the rate for good; otherwise
/// each half-year bears its own.</param>
/// <param name="DayBefore">Whether a half-year's rate is the one on the day before it begins (30 June, 31 December);
/// otherwise on its first day.</param>
/// <remarks>
/// Sources (from memory): Directive 2011/7/EU, article 2(7), takes the rate on the first day of each half-year; the
/// UK Late Payment of Commercial Debts (Rate of Interest) Order 2002 the rate on the day before, fixed for the debt.
/// </remarks>
public sealed record ReferenceRule(string Code, decimal Margin, bool FixedForLife, bool DayBefore)
{
    /// <summary>
    /// The rates that hold for an item: one, or one for each half-year from when it became late. Half-years without a
    /// known reference are left out.
    /// </summary>
    public IReadOnlyList<RateRow> For(ReferenceRate reference, DateOnly due, DateOnly through)
    {
        ArgumentNullException.ThrowIfNull(reference);
        var first = HalfYearOf(due.AddDays(1));
        var rows = new List<RateRow>();
        for (var start = first; start <= through; start = start.AddMonths(6))
        {
            if (reference.On(DayBefore ? start.AddDays(-1) : start) is { } rate)
                rows.Add(new(start, rate + Margin));
            if (FixedForLife)
                break;
        }

        return rows;
    }

    private static DateOnly HalfYearOf(DateOnly day) => new(day.Year, day.Month <= 6 ? 1 : 7, 1);
}
