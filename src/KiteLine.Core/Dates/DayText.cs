using System.Globalization;

namespace KiteLine.Core;

/// <summary>Days as they come in, in requests and files alike.</summary>
public static class DayText
{
    /// <summary>
    /// Reads a day written as year-month-day (ISO 8601), such as 2026-03-16, of the years 1900 to 2199: outside of them
    /// it is a slip, and adding the longest terms would leave the calendar.
    /// </summary>
    public static bool TryRead(string? text, out DateOnly day) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out day)
        && Fits(day);

    /// <summary>Whether a day lies in those years.</summary>
    public static bool Fits(DateOnly day) => day.Year is >= 1900 and < 2200;
}
