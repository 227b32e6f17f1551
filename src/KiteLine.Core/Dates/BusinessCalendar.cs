namespace KiteLine.Core;

/// <summary>Which days the company works: not Saturday, not Sunday, not one of its holidays.</summary>
public sealed class BusinessCalendar(IEnumerable<DateOnly> holidays)
{
    private readonly HashSet<DateOnly> _holidays = [.. holidays];

    /// <summary>A calendar with weekends and no holidays.</summary>
    public static BusinessCalendar WeekendsOnly { get; } = new([]);

    /// <summary>True from Monday to Friday unless the day is a holiday.</summary>
    public bool IsBusinessDay(DateOnly day) =>
        day.DayOfWeek is not (DayOfWeek.Saturday or DayOfWeek.Sunday) && !_holidays.Contains(day);

    /// <summary>Moves a date that is not a business day by the rule; a business day is returned as it is.</summary>
    public DateOnly Adjust(DateOnly day, BusinessDayRule rule)
    {
        if (rule == BusinessDayRule.Keep)
            return day;
        var step = rule == BusinessDayRule.Next ? 1 : -1;
        while (!IsBusinessDay(day))
            day = day.AddDays(step);
        return day;
    }
}
