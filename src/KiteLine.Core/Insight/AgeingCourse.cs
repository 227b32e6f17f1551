namespace KiteLine.Core;

/// <summary>What was open by age at the ends of months, in one currency: an ageing through time.</summary>
public static class AgeingCourse
{
    /// <summary>What was open at the end of a day.</summary>
    /// <param name="Ageing">In minor units of the base currency, one for each bucket, each rounded once.</param>
    public sealed record Point(DateOnly Day, IReadOnlyList<Int128> Ageing);

    /// <summary>The day and the ends of the months before it, the earliest first.</summary>
    public static IReadOnlyList<DateOnly> Days(DateOnly day, int months)
    {
        var first = new DateOnly(day.Year, day.Month, 1);
        return [.. Enumerable.Range(0, months).Reverse().Select(m => first.AddMonths(-m).AddDays(-1)), day];
    }

    /// <summary>
    /// A point for each day. Other currencies are converted at the rate of each day; those without one are left out and
    /// named.
    /// </summary>
    /// <param name="sums">What the ageing of a day adds up to, a line for each currency.</param>
    public static (IReadOnlyList<Point> Points, IReadOnlyList<Currency> WithoutRate) Of(
        IReadOnlyList<DateOnly> days,
        Func<DateOnly, IReadOnlyList<AgeingLine>> sums,
        int buckets,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(days);
        ArgumentNullException.ThrowIfNull(sums);
        ArgumentNullException.ThrowIfNull(rates);
        var (points, without) = (new List<Point>(), new HashSet<Currency>());
        foreach (var day in days)
        {
            var ageing = new Int128[buckets];
            foreach (var line in sums(day))
                if (rates.ToBase(new(line.Amount, line.Currency), day) is { } whole)
                    Add(ageing, line, whole.Minor, a => rates.ToBase(new(a, line.Currency), day)!.Value.Minor);
                else
                    without.Add(line.Currency);

            points.Add(new(day, ageing));
        }

        return (points, [.. without.OrderBy(c => c.Code, StringComparer.Ordinal)]);
    }

    // The parts add up to the whole as it is converted: the last of them takes the remainder.
    private static void Add(Int128[] ageing, AgeingLine line, Int128 whole, Func<Int128, Int128> converted)
    {
        var last = -1;
        for (var b = 0; b < ageing.Length; b++)
        {
            if (line.Ageing[b] == 0)
                continue;
            var part = converted(line.Ageing[b]);
            ageing[b] += part;
            whole -= part;
            last = b;
        }

        if (last >= 0)
            ageing[last] += whole;
    }
}
