namespace KiteLine.Core;

/// <summary>
/// Actual/actual (ISDA): days in leap years over 366 plus days in other years over 365. A day belongs to the year in
/// which it begins, so 31 December to 1 January counts in the old year. Source: ISDA Definitions 2006, section 4.16(b).
/// </summary>
public sealed class ActualActualIsda : DayCount
{
    /// <inheritdoc/>
    public override string Name => "act/act-isda";

    /// <inheritdoc/>
    public override string Title => "Actual/actual ISDA";

    /// <inheritdoc/>
    public override string Explain(DateOnly start, DateOnly end)
    {
        var (leap, other) = Split(start, end);
        return (leap, other) switch
        {
            (0, _) => $"{other} / 365",
            (_, 0) => $"{leap} / 366",
            _ => $"{other} / 365 + {leap} / 366",
        };
    }

    /// <inheritdoc/>
    protected override int CountDays(DateOnly start, DateOnly end) => Actual(start, end);

    // Over 365 × 366 for every span, so that days of both kinds of year can be added up before they are divided.

    /// <inheritdoc/>
    protected override YearFraction CountFraction(DateOnly start, DateOnly end)
    {
        var (leap, other) = Split(start, end);
        return new(((long)other * 366) + ((long)leap * 365), 365 * 366);
    }

    private static (int Leap, int Other) Split(DateOnly start, DateOnly end)
    {
        int leap = 0,
            other = 0;
        for (var year = start.Year; year <= end.Year; year++)
        {
            var from = Math.Max(start.DayNumber, new DateOnly(year, 1, 1).DayNumber);
            var to = year == end.Year ? end.DayNumber : new DateOnly(year, 12, 31).DayNumber + 1;
            if (DateTime.IsLeapYear(year))
                leap += to - from;
            else
                other += to - from;
        }

        return (leap, other);
    }
}
