using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The company's settings.</summary>
public static class CompanyStore
{
    private static LastRead? _last;

    private sealed record LastRead(string Text, CompanySettings Settings);

    /// <summary>True before the company has been set up.</summary>
    public static bool IsNew(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM company") == 0;

    /// <summary>The settings with their version.</summary>
    public static StoredCompany Get(SqliteConnection connection)
    {
        var (settings, version) = connection.QuerySingle<(string, long)>("SELECT settings, version FROM company");
        // Every posting asks for them several times and they hardly ever change, so the last text is not read again.
        var last = _last;
        if (last?.Text != settings)
            _last = last = new(settings, Json.Read<CompanySettings>(settings));
        return new(last.Settings, version);
    }

    /// <summary>Counts what was committed: as long as it is the same, so are the books.</summary>
    public static long Changes(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT changes FROM company");

    /// <summary>The settings alone.</summary>
    public static CompanySettings Settings(SqliteConnection connection) => Get(connection).Settings;

    /// <summary>Sets up the company in new books, with terms that its defaults can name.</summary>
    public static void Create(Tx tx, CompanySettings settings)
    {
        ArgumentNullException.ThrowIfNull(tx);
        tx.Connection.Execute(
            "INSERT INTO company (id, settings, version) VALUES (1, @settings, 1)",
            new { settings = Json.Write(settings) }
        );
        Audit.Record(tx, "company", "created", settings);
        PolicyStore.TermsByText(tx, settings.Defaults.Terms);
        tx.TouchAll();
    }

    /// <summary>Replaces the settings when nobody else did meanwhile.</summary>
    /// <exception cref="ChangedMeanwhileException">The version is not the current one.</exception>
    /// <exception cref="RefusedException">It grants more than the authority of who changes it reaches.</exception>
    public static StoredCompany Change(Tx tx, CompanySettings settings, long version, string reason = "")
    {
        ArgumentNullException.ThrowIfNull(tx);
        var before = Get(tx.Connection);
        if (before.Version != version)
            throw new ChangedMeanwhileException("The company settings");
        GrantingSettings.RefuseWithoutAuthority(before.Settings, settings, tx.Actor.Authority);
        tx.Connection.Execute(
            "UPDATE company SET settings = @settings, version = version + 1",
            new { settings = Json.Write(settings) }
        );
        Audit.Record(tx, "company", "changed", new { before = before.Settings, after = settings }, reason);
        tx.TouchCompany();
        return new(settings, version + 1);
    }

    /// <summary>Ends setting up, on the business date.</summary>
    /// <exception cref="RefusedException">It has ended already.</exception>
    public static void EndSettingUp(Tx tx)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var stored = Get(tx.Connection);
        if (stored.Settings.SettingUpEndedOn is { } ended)
            throw new RefusedException("settingUp", $"Setting up ended on {Exactly.Day(ended)} already.");
        Change(tx, stored.Settings with { SettingUpEndedOn = tx.BusinessDate() }, stored.Version, "setting up ended");
    }

    /// <summary>Whether anything was ever posted.</summary>
    public static bool HasPostings(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT EXISTS (SELECT 1 FROM entry)") == 1;

    /// <summary>The number that each series gives next.</summary>
    public static IReadOnlyDictionary<DocumentSeries, long> UpcomingNumbers(SqliteConnection connection) =>
        Numbers.Upcoming(connection);

    /// <summary>Lets a series go on from a higher number.</summary>
    /// <exception cref="RefusedException">Numbers up to it may have been given.</exception>
    public static void GoOnFrom(Tx tx, DocumentSeries series, long next, string reason = "")
    {
        ArgumentNullException.ThrowIfNull(tx);
        var former = Numbers.Upcoming(tx.Connection)[series];
        if (next == former)
            return;
        Numbers.GoOnFrom(tx, series, next);
        Audit.Record(
            tx,
            "company",
            "numbering",
            new { before = new { series, next = former }, after = new { series, next } },
            reason
        );
    }

    /// <summary>The company's today: pinned, or the calendar day in its time zone.</summary>
    public static DateOnly BusinessDate(CompanySettings settings, TimeProvider clock)
    {
        ArgumentNullException.ThrowIfNull(settings);
        ArgumentNullException.ThrowIfNull(clock);
        if (settings.PinnedBusinessDate is { } pinned)
            return pinned;
        var zone = TimeZoneInfo.TryFindSystemTimeZoneById(settings.TimeZone, out var known) ? known : TimeZoneInfo.Utc;
        return DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(clock.GetUtcNow(), zone).DateTime);
    }
}
