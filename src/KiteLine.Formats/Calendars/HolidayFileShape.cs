using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Looks at an iCalendar file before it is read: its size, how deep it goes and how long its rules are.</summary>
internal static class HolidayFileShape
{
    private static readonly string[] Rules = ["RRULE", "EXRULE"];

    /// <exception cref="RefusedException">It goes beyond <see cref="Bounds"/>.</exception>
    internal static void Check(string text)
    {
        if (text.Length > Bounds.CalendarFile)
            throw Refused($"A calendar file has up to {Bounds.CalendarFile / 1_000_000} MB; this one is larger.");
        var (depth, rule) = (0, 0);
        foreach (var line in text.AsSpan().EnumerateLines())
        {
            // A line that begins with a blank goes on with the one before.
            if (line.Length > 0 && line[0] is ' ' or '\t')
                rule = rule > 0 ? rule + line.Length : 0;
            else
                rule = IsRule(line) ? line.Length : 0;
            if (rule > Bounds.CalendarRule)
                throw Refused($"A rule of recurrence has up to {Bounds.CalendarRule} characters; one here has more.");
            if (line.StartsWith("BEGIN:", StringComparison.OrdinalIgnoreCase))
                depth++;
            else if (line.StartsWith("END:", StringComparison.OrdinalIgnoreCase))
                depth--;
            if (depth > Bounds.CalendarDepth)
                throw Refused("Components of the file stand within each other deeper than a calendar's do.");
        }
    }

    private static bool IsRule(ReadOnlySpan<char> line)
    {
        foreach (var rule in Rules)
            if (line.StartsWith(rule, StringComparison.OrdinalIgnoreCase))
                return true;
        return false;
    }

    private static RefusedException Refused(string message) => new("file", message);
}
