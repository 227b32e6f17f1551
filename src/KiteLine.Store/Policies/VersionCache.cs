using System.Collections.Concurrent;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Terms and calendars by the identifier of their version, read once; a version never changes.</summary>
public sealed class VersionCache
{
    private readonly ConcurrentDictionary<long, Terms> _terms = new();
    private readonly ConcurrentDictionary<long, BusinessCalendar> _calendars = new();
    private readonly ConcurrentDictionary<long, LateChargePolicy> _charges = new();
    private readonly ConcurrentDictionary<long, ReminderPlan> _plans = new();

    /// <summary>The terms of a stored version; they never change.</summary>
    public Terms Terms(SqliteConnection connection, long id) =>
        _terms.GetOrAdd(id, key => PolicyStore.ById<TermsDefinition>(connection, key).Definition.ToTerms());

    /// <summary>
    /// A version of a late-charge policy, with the reference rate it names as the company keeps it now.
    /// </summary>
    public LateChargePolicy LateCharge(SqliteConnection connection, long id) =>
        PolicyStore.WithReference(
            connection,
            _charges.GetOrAdd(id, key => PolicyStore.ById<LateChargePolicy>(connection, key).Definition)
        );

    /// <summary>A version of a reminder plan.</summary>
    public ReminderPlan Plan(SqliteConnection connection, long id) =>
        _plans.GetOrAdd(id, key => PolicyStore.ById<ReminderPlan>(connection, key).Definition);

    /// <summary>The calendar a document was made under; weekends alone where it names none.</summary>
    public BusinessCalendar Calendar(SqliteConnection connection, long? id) =>
        id is not { } known
            ? BusinessCalendar.WeekendsOnly
            : _calendars.GetOrAdd(
                known,
                key => PolicyStore.ById<HolidayCalendar>(connection, key).Definition.ToBusinessCalendar()
            );
}
