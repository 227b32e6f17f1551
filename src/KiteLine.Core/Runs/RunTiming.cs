namespace KiteLine.Core;

/// <summary>When something is done by itself.</summary>
/// <param name="Number">With weekly the day, 1 for Monday to 5 for Friday; with monthly which business day of the month, from 1
/// to 20; nothing with daily.</param>
public sealed record RunTiming(RunRhythm Rhythm, int Number)
{
    /// <summary>Whether it is due on a day.</summary>
    public bool IsDue(DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(calendar);
        if (!calendar.IsBusinessDay(day))
            return false;
        return Rhythm switch
        {
            RunRhythm.Daily => true,
            RunRhythm.Weekly => day == OfWeek(day, calendar),
            RunRhythm.Monthly => day == OfMonth(day, calendar),
            _ => throw new ArgumentOutOfRangeException(nameof(day), Rhythm, null),
        };
    }

    /// <summary>The first day on which it is due after one day and up to another; null where there is none.</summary>
    public DateOnly? FirstDue(DateOnly after, DateOnly through, BusinessCalendar calendar)
    {
        for (var day = after.AddDays(1); day <= through; day = day.AddDays(1))
            if (IsDue(day, calendar))
                return day;
        return null;
    }

    /// <summary>
    /// What is to be done today: what is due, or was due on a day that was missed, once however many were. What was missed
    /// waits for a business day.
    /// </summary>
    /// <param name="handled">The last day that was looked after.</param>
    public DueOnSchedule? Due(DateOnly handled, DateOnly today, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(calendar);
        if (today <= handled || !calendar.IsBusinessDay(today))
            return null;
        var missed = FirstDue(handled, today.AddDays(-1), calendar);
        return missed is not null || IsDue(today, calendar) ? new(missed) : null;
    }

    /// <summary>When it is, in words: "weekly on Monday".</summary>
    public string Words =>
        Rhythm switch
        {
            RunRhythm.Daily => "every business day",
            RunRhythm.Weekly => $"weekly on {(DayOfWeek)Number}",
            RunRhythm.Monthly => $"monthly on business day {Number}",
            _ => throw new InvalidOperationException($"A rhythm {Rhythm} is not known."),
        };

    // On a holiday it waits for the next business day of the week; a week without one is passed over.
    private DateOnly? OfWeek(DateOnly day, BusinessCalendar calendar)
    {
        var monday = day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
        for (var d = monday.AddDays(Number - 1); d < monday.AddDays(7); d = d.AddDays(1))
            if (calendar.IsBusinessDay(d))
                return d;
        return null;
    }

    private DateOnly? OfMonth(DateOnly day, BusinessCalendar calendar)
    {
        var count = 0;
        for (var d = new DateOnly(day.Year, day.Month, 1); d.Month == day.Month; d = d.AddDays(1))
            if (calendar.IsBusinessDay(d) && ++count == Number)
                return d;
        return null;
    }

    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Rhythm == RunRhythm.Weekly && Number is < 1 or > 5)
            yield return ("number", "Give the day of the week, from 1 for Monday to 5 for Friday.");
        if (Rhythm == RunRhythm.Monthly && Number is < 1 or > 20)
            yield return ("number", "Give which business day of the month, from 1 to 20.");
    }
}
