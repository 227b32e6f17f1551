using Ical.Net;
using Ical.Net.DataTypes;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads holidays from iCalendar files (RFC 5545).</summary>
public static class HolidayFile
{
    /// <summary>
    /// The all-day events between two dates, both included; events that recur are given once for each time, and events
    /// of several days once for each day.
    /// </summary>
    /// <exception cref="RefusedException">The text is no iCalendar file or holds no day in that time.</exception>
    public static IReadOnlyList<Holiday> Read(string text, DateOnly from, DateOnly to)
    {
        Calendar? calendar;
        try
        {
            calendar = Calendar.Load(text);
        }
        catch (Exception e)
            when (e
                    is FormatException
                        or ArgumentException
                        or InvalidOperationException
                        or System.Runtime.Serialization.SerializationException
            )
        {
            throw new RefusedException("file", $"This is no iCalendar file: {e.Message}");
        }

        if (calendar is null)
            throw new RefusedException("file", "This is no iCalendar file; it starts with BEGIN:VCALENDAR.");
        var days = new SortedDictionary<DateOnly, string>();
        // Events that began before the first day may still recur or last into it, so looking starts a year earlier.
        foreach (
            var occurrence in calendar
                .GetOccurrences(new CalDateTime(from.AddYears(-1)))
                .TakeWhile(o => Day(o.Period.StartTime) <= to)
        )
        {
            if (occurrence.Source is not Ical.Net.CalendarComponents.CalendarEvent { IsAllDay: true } holiday)
                continue;
            var first = Day(occurrence.Period.StartTime);
            var end = occurrence.Period.EffectiveEndTime is { } after ? Day(after) : first.AddDays(1);
            for (var day = first; day < end || day == first; day = day.AddDays(1))
                if (day >= from && day <= to)
                    days.TryAdd(day, string.IsNullOrWhiteSpace(holiday.Summary) ? "Holiday" : holiday.Summary.Trim());
        }

        return days.Count > 0
            ? [.. days.Select(d => new Holiday(d.Key, d.Value))]
            : throw new RefusedException(
                "file",
                $"The file holds no all-day event from {Exactly.Day(from)} to {Exactly.Day(to)}."
            );
    }

    private static DateOnly Day(CalDateTime time) => time.Date;
}
