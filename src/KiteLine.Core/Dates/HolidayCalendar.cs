namespace KiteLine.Core;

/// <summary>The holidays of a company or a place, as they are typed in or read from a file.</summary>
public sealed record HolidayCalendar
{
    /// <summary>In rising order of dates, one for a date.</summary>
    public IReadOnlyList<Holiday> Holidays { get; init; } = [];

    /// <summary>What is wrong, as field and sentence; empty when it can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Holidays.Count > 2000)
            yield return ("holidays", "A calendar has at most 2000 holidays.");
        for (var i = 0; i < Holidays.Count; i++)
        {
            if (string.IsNullOrWhiteSpace(Holidays[i].Name))
                yield return ($"holidays[{i}].name", "Give the holiday a name.");
            if (i > 0 && Holidays[i].Date <= Holidays[i - 1].Date)
                yield return ($"holidays[{i}].date", $"{Exactly.Day(Holidays[i].Date)} stands twice or out of order.");
        }
    }

    /// <summary>These holidays and the weekends.</summary>
    public BusinessCalendar ToBusinessCalendar() => new(Holidays.Select(h => h.Date));
}
