using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The calendar that due dates and deadlines are reckoned with.</summary>
/// <param name="Id">Its version, which documents keep; null for weekends alone.</param>
public sealed record CalendarInForce(long? Id, BusinessCalendar Calendar)
{
    /// <summary>The one the company's settings name, in its current version.</summary>
    public static CalendarInForce Of(SqliteConnection connection, CompanySettings settings)
    {
        ArgumentNullException.ThrowIfNull(settings);
        return PolicyStore.Find<HolidayCalendar>(connection, PolicyKind.Calendar, settings.Calendar) is { } stored
            ? new(stored.Id, stored.Definition.ToBusinessCalendar())
            : new(null, BusinessCalendar.WeekendsOnly);
    }
}
