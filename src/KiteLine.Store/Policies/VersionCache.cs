using System.Collections.Concurrent;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Terms and calendars by the identifier of their version, read once; a version never changes.</summary>
public sealed class VersionCache
{
    private readonly ConcurrentDictionary<long, Terms> _terms = new();
    private readonly ConcurrentDictionary<long, BusinessCalendar> _calendars = new();

    public Terms Terms(SqliteConnection connection, long id) =>
        _terms.GetOrAdd(id, key => PolicyStore.ById<TermsDefinition>(connection, key).Definition.ToTerms());

    /// <summary>The calendar a document was made under; weekends alone where it names none.</summary>
    public BusinessCalendar Calendar(SqliteConnection connection, long? id) => id is not { } known ? BusinessCalendar.WeekendsOnly :
        _calendars.GetOrAdd(known, key => PolicyStore.ById<HolidayCalendar>(connection, key).Definition.ToBusinessCalendar());
}
