namespace KiteLine.Core;

/// <summary>A period over which measures are taken, both its days included.</summary>
public sealed record MeasuredPeriod(DateOnly From, DateOnly To)
{
    /// <summary>The day before it, at the end of which the opening figures stand.</summary>
    public DateOnly Eve => From.AddDays(-1);

    /// <summary>How many days it has.</summary>
    public int Days => To.DayNumber - From.DayNumber + 1;

    /// <summary>The last day of each calendar month in it, or of the part of one, the latest last.</summary>
    public IReadOnlyList<DateOnly> MonthEnds { get; } = Ends(From, To);

    /// <summary>The days of each month, or of the part of one.</summary>
    public IReadOnlyList<int> MonthDays =>
        [.. MonthEnds.Select((end, i) => end.DayNumber - (i == 0 ? Eve : MonthEnds[i - 1]).DayNumber)];

    /// <summary>The place of the month of a day in the period.</summary>
    public int MonthOf(DateOnly day) => ((day.Year - From.Year) * 12) + day.Month - From.Month;

    /// <summary>Whether a day lies in it.</summary>
    public bool Holds(DateOnly day) => day >= From && day <= To;

    /// <summary>
    /// As many periods as are asked for, each of so many whole months as this one touches, the last ending with this one
    /// and the others with the months before.
    /// </summary>
    public IReadOnlyList<MeasuredPeriod> Rolling(int periods)
    {
        var months = MonthEnds.Count;
        var first = new DateOnly(To.Year, To.Month, 1);
        return
        [
            .. Enumerable
                .Range(0, periods)
                .Reverse()
                .Select(back => new MeasuredPeriod(
                    first.AddMonths(1 - months - back),
                    back == 0 ? To : first.AddMonths(1 - back).AddDays(-1)
                )),
        ];
    }

    private static List<DateOnly> Ends(DateOnly from, DateOnly to)
    {
        var ends = new List<DateOnly>();
        for (
            var end = new DateOnly(from.Year, from.Month, DateTime.DaysInMonth(from.Year, from.Month));
            end < to;
            end = end.AddDays(1).AddMonths(1).AddDays(-1)
        )
            ends.Add(end);
        ends.Add(to);
        return ends;
    }
}
