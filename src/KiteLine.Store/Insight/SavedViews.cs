using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Views of the board: one's own, and those that others share.</summary>
public static class SavedViews
{
    /// <summary>Those that somebody sees, by name.</summary>
    public static IReadOnlyList<SavedView> For(SqliteConnection connection, string who) =>
        [
            .. connection
                .Query<(long Id, string Name, string Query, long Shared, string MadeBy)>(
                    "SELECT id, name, query, shared, made_by FROM saved_view WHERE shared OR made_by = @who ORDER BY name",
                    new { who }
                )
                .Select(v => new SavedView(v.Id, v.Name, v.Query, v.Shared == 1, v.MadeBy)),
        ];

    /// <summary>Keeps a view under a name; one's own of that name is replaced.</summary>
    public static void Keep(Tx tx, string name, string query, bool shared)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var trimmed = name.Trim();
        if (trimmed.Length is 0 or > 60)
            throw new RefusedException("name", "Give the view a name of up to 60 characters.");
        if (query.Length > 1000)
            throw new RefusedException("query", "A view has at most 1000 characters.");
        tx.Connection.Execute(
            """
            INSERT INTO saved_view (name, query, shared, made_by, made_at) VALUES (@trimmed, @query, @shared, @Who,
                @Now)
            ON CONFLICT (name, made_by) DO UPDATE SET query = excluded.query, shared = excluded.shared
            """,
            new
            {
                trimmed,
                query,
                shared,
                tx.Who,
                tx.Now,
            }
        );
    }

    /// <summary>Drops one of one's own views.</summary>
    public static void Drop(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (tx.Connection.Execute("DELETE FROM saved_view WHERE id = @id AND made_by = @Who", new { id, tx.Who }) == 0)
            throw new NotThereException("view", $"{id}");
    }
}
