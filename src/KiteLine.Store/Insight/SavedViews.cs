using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Views of the board: one's own, and those that others share.</summary>
public static class SavedViews
{
    /// <summary>Those that somebody sees, by name.</summary>
    public static IReadOnlyList<SavedView> For(SqliteConnection connection, Actor who) =>
        [
            .. connection
                .Query<(long Id, string Name, string Query, long Shared, string MadeBy, long Own)>(
                    "SELECT id, name, query, shared, made_by, owner = @Identity FROM saved_view "
                        + "WHERE shared OR owner = @Identity ORDER BY name",
                    new { who.Identity }
                )
                .Select(v => new SavedView(v.Id, v.Name, v.Query, v.Shared == 1, v.MadeBy, v.Own == 1)),
        ];

    /// <summary>Keeps a view under a name; one's own of that name is replaced.</summary>
    /// <exception cref="RefusedException">The name or the query is none, there are too many, or a viewer shares
    /// it.</exception>
    public static void Keep(Tx tx, string name, string query, bool shared)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var trimmed = name.Trim();
        if (trimmed.Length is 0 or > 60)
            throw new RefusedException("name", "Give the view a name of up to 60 characters.");
        if (query.Length > 1000)
            throw new RefusedException("query", "A view has at most 1000 characters.");
        TextBounds.Check("name", trimmed);
        if (shared && tx.Actor.Role < Role.Controller)
            throw new RefusedException("shared", "A viewer keeps views for oneself; ask a controller to share one.");
        if (Others(tx, trimmed) >= Most)
            throw new RefusedException("name", $"One keeps up to {Most} views; drop one first.");
        tx.Connection.Execute(
            """
            INSERT INTO saved_view (name, query, shared, owner, made_by, made_at) VALUES (@trimmed, @query, @shared,
                @Identity, @Who, @Now)
            ON CONFLICT (name, owner) DO UPDATE SET query = excluded.query, shared = excluded.shared
            """,
            new
            {
                trimmed,
                query,
                shared,
                tx.Actor.Identity,
                tx.Who,
                tx.Now,
            }
        );
    }

    // Nobody finds one's way among more.
    private const int Most = 100;

    private static long Others(Tx tx, string name) =>
        tx.Connection.ExecuteScalar<long>(
            "SELECT count(*) FROM saved_view WHERE owner = @Identity AND name <> @name",
            new { tx.Actor.Identity, name }
        );

    /// <summary>Drops one of one's own views.</summary>
    public static void Drop(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (
            tx.Connection.Execute(
                "DELETE FROM saved_view WHERE id = @id AND owner = @Identity",
                new { id, tx.Actor.Identity }
            ) == 0
        )
            throw new NotThereException("view", $"{id}");
    }
}
