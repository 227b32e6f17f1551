using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Evaluation;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads holidays from iCalendar files (RFC 5545).</summary>
public static class HolidayFile
{
    /// <summary>
    /// The all-day events between two dates, both included; events that recur are given once for each time, and events
    /// of several days once for each day. Events with hours, and the time zones they are in, are passed over.
    /// </summary>
    /// <exception cref="RefusedException">The text is no iCalendar file, holds no day in that time, or goes beyond
    /// <see cref="Bounds"/>; names the field <c>file</c>.</exception>
    public static IReadOnlyList<Holiday> Read(string text, DateOnly from, DateOnly to)
    {
        ArgumentNullException.ThrowIfNull(text);
        HolidayFileShape.Check(text);
        var days = new SortedDictionary<DateOnly, string>();
        try
        {
            foreach (var (day, name) in Days(AllDay(text, to), from, to))
                days.TryAdd(day, name);
        }
        catch (EvaluationLimitExceededException)
        {
            throw Refused("An event recurs on days that never come; correct its rule.");
        }
        catch (Exception e) when (e is not (RefusedException or OutOfMemoryException))
        {
            // Whatever the library finds wrong in a file is the file's fault.
            throw Refused($"This is no iCalendar file that can be read: {e.Message}");
        }

        return days.Count > 0
            ? [.. days.Select(d => new Holiday(d.Key, d.Value))]
            : throw Refused($"The file holds no all-day event from {Exactly.Day(from)} to {Exactly.Day(to)}.");
    }

    // Events with hours are left behind before anything recurs.
    private static Calendar AllDay(string text, DateOnly to)
    {
        long work = 0;
        var file = Calendar.Load(text) ?? throw Refused("This is no iCalendar file; it starts with BEGIN:VCALENDAR.");
        var holidays = new Calendar();
        foreach (var holiday in file.Events.Where(e => e.IsAllDay))
        {
            if (holidays.Events.Count == Bounds.CalendarEvents)
                throw Refused($"A file has up to {Bounds.CalendarEvents:N0} all-day events; this one has more.");
            if (holiday.Start!.Value.Year is < 1900 or >= 2200)
                throw Refused($"The event ‘{Name(holiday)}’ begins outside of the years 1900 to 2199.");
            work += holiday.RecurrenceRule is { } rule ? Steps(holiday, rule, to) : 1;
            if (work > Bounds.CalendarWork)
                throw Refused("The events of the file recur too often to be gone through; give those of some years.");
            holidays.Events.Add(holiday);
        }

        return holidays;
    }

    // How often a rule is tried from the event's first day on.
    private static long Steps(CalendarEvent holiday, RecurrenceRule rule, DateOnly to)
    {
        var years = Math.Max(1, to.Year - holiday.Start!.Value.Year + 1);
        var perYear = rule.Frequency switch
        {
            FrequencyType.Daily => 366,
            FrequencyType.Weekly => 53,
            FrequencyType.Monthly => 12,
            FrequencyType.Yearly => 1,
            _ => throw Refused(
                $"The event ‘{Name(holiday)}’ recurs by the hour or less; a holiday recurs by the day, week, month or "
                    + "year."
            ),
        };
        return 1 + years * perYear / Math.Max(1, rule.Interval);
    }

    private static IEnumerable<(DateOnly Day, string Name)> Days(Calendar holidays, DateOnly from, DateOnly to)
    {
        var left = Bounds.CalendarDays;
        // Events that began before the first day may still last into it, so looking starts as much earlier.
        var occurrences = holidays.GetOccurrences(
            new CalDateTime(from.AddDays(-Bounds.HolidayDays)),
            new EvaluationOptions { MaxUnmatchedIncrementsLimit = Bounds.CalendarSteps }
        );
        foreach (var occurrence in occurrences.TakeWhile(o => Day(o.Period.StartTime) <= to))
        {
            var holiday = (CalendarEvent)occurrence.Source;
            var first = Day(occurrence.Period.StartTime);
            var end = occurrence.Period.EffectiveEndTime is { } after ? Day(after) : first.AddDays(1);
            if (end > first.AddDays(Bounds.HolidayDays))
                throw Refused(
                    $"The event ‘{Name(holiday)}’ lasts longer than {Bounds.HolidayDays} days, which no holiday does."
                );
            for (var day = first; day < end || day == first; day = day.AddDays(1))
            {
                if (--left < 0)
                    throw Refused($"The file holds more than {Bounds.CalendarDays:N0} days off in this time.");
                if (day >= from && day <= to)
                    yield return (day, Name(holiday));
            }
        }
    }

    private static string Name(CalendarEvent holiday)
    {
        var name = string.IsNullOrWhiteSpace(holiday.Summary) ? "Holiday" : holiday.Summary.Trim();
        return name.Length <= Bounds.Line ? name : name[..Bounds.Line];
    }

    private static DateOnly Day(CalDateTime time) => time.Date;

    private static RefusedException Refused(string message) => new("file", message);
}
