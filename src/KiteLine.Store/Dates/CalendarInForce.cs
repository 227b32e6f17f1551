using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The calendar that due dates and deadlines are reckoned with.</summary>
/// <param name="Id">Its version, which documents keep; null for weekends alone.</param>
public sealed record CalendarInForce(long? Id, BusinessCalendar Calendar)
{
    private static LastRead? _last;

    private sealed record LastRead(string Text, BusinessCalendar Calendar);

    /// <summary>The one the company's settings name, in its current version.</summary>
    public static CalendarInForce Of(SqliteConnection connection, CompanySettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        if (PolicyStore.CurrentText(connection, PolicyKind.Calendar, settings.Calendar) is not { } current)
            return new(null, BusinessCalendar.WeekendsOnly);
        // Every computation asks for it and it hardly ever changes, so the last text is not read again.
        var last = _last;
        if (last?.Text != current.Definition)
            _last = last = new(current.Definition, Json.Read<HolidayCalendar>(current.Definition).ToBusinessCalendar());
        return new(current.Id, last.Calendar);
    }
}
