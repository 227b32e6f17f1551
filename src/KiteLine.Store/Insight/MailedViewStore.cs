using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps the views that go out by themselves.</summary>
public static class MailedViewStore
{
    /// <summary>A company has at most so many.</summary>
    public const int Most = 50;

    private sealed record Row
    {
        public long Id { get; init; }
        public string Name { get; init; } = "";
        public MailedReport Report { get; init; }
        public string Query { get; init; } = "";
        public string Format { get; init; } = "";
        public string Recipients { get; init; } = "";
        public RunRhythm Rhythm { get; init; }
        public int Number { get; init; }
        public DateOnly? LastOn { get; init; }
        public string MadeBy { get; init; } = "";
        public string MadeAt { get; init; } = "";
    }

    /// <summary>All of them, by name.</summary>
    public static IReadOnlyList<StoredMailedView> All(SqliteConnection connection) =>
        [
            .. connection
                .Query<Row>(
                    "SELECT id, name, report, query, format, recipients, rhythm, number, last_on, made_by, made_at "
                        + "FROM mailed_view ORDER BY name, id"
                )
                .Select(r => new StoredMailedView(
                    r.Id,
                    new(r.Name, r.Report, r.Query, r.Format, r.Recipients, new(r.Rhythm, r.Number)),
                    r.LastOn,
                    r.MadeBy,
                    r.MadeAt
                )),
        ];

    /// <summary>One of them.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredMailedView Get(SqliteConnection connection, long id) =>
        All(connection).FirstOrDefault(v => v.Id == id) ?? throw new NotThereException("mailed view", $"{id}");

    /// <summary>Keeps one.</summary>
    /// <exception cref="RefusedException">Something is wrong with it, or there are too many.</exception>
    public static StoredMailedView Add(Tx tx, MailedView view)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(view);
        RefusedException.ThrowIfAny(view.Problems());
        TextBounds.Check("name", view.Name);
        if (tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM mailed_view") >= Most)
            throw new RefusedException("name", $"There are {Most} mailed views already; drop one first.");
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO mailed_view (name, report, query, format, recipients, rhythm, number, made_by, made_at)
            VALUES (@Name, @Report, @Query, @Format, @Recipients, @Rhythm, @Number, @Who, @Now) RETURNING id
            """,
            new
            {
                Name = view.Name.Trim(),
                view.Report,
                view.Query,
                view.Format,
                Recipients = string.Join("; ", EmailAddresses.Of(view.Recipients)),
                view.Timing.Rhythm,
                view.Timing.Number,
                tx.Who,
                tx.Now,
            }
        );
        Record(tx, "kept", view);
        return Get(tx.Connection, id);
    }

    /// <summary>Drops one.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static void Drop(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var view = Get(tx.Connection, id).View;
        tx.Connection.Execute("DELETE FROM mailed_view WHERE id = @id", new { id });
        Record(tx, "dropped", view);
    }

    /// <summary>Notes that one went out by itself on a day; false where it did already, or was dropped.</summary>
    public static bool Went(Tx tx, long id, DateOnly on)
    {
        ArgumentNullException.ThrowIfNull(tx);
        return tx.Connection.Execute(
                "UPDATE mailed_view SET last_on = @on WHERE id = @id AND last_on IS NOT @on",
                new { id, on }
            ) == 1;
    }

    private static void Record(Tx tx, string action, MailedView view) =>
        Audit.Record(
            tx,
            "mailed view",
            action,
            new
            {
                view.Name,
                view.Report,
                view.Query,
                view.Format,
                view.Recipients,
                view.Timing.Rhythm,
                view.Timing.Number,
            },
            ""
        );
}
