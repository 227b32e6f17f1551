using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps what-ifs and what they came to.</summary>
public static class WhatIfStore
{
    /// <summary>A company keeps at most so many.</summary>
    public const int Most = 200;

    /// <summary>The longest name.</summary>
    public const int LongestName = 100;

    private sealed record Row
    {
        public long Id { get; init; }
        public string Name { get; init; } = "";
        public string Definition { get; init; } = "";
        public WhatIfState State { get; init; }
        public string? Result { get; init; }
        public string MadeBy { get; init; } = "";
        public string MadeAt { get; init; } = "";
        public string? FinishedAt { get; init; }
    }

    /// <summary>All of them, the latest first.</summary>
    public static IReadOnlyList<StoredWhatIf> All(SqliteConnection connection) => Where(connection, "TRUE", new { });

    /// <summary>One of them.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredWhatIf Get(SqliteConnection connection, long id) =>
        Where(connection, "id = @id", new { id }).SingleOrDefault() ?? throw new NotThereException("what-if", $"{id}");

    /// <summary>The one to be worked out next, or null.</summary>
    public static StoredWhatIf? Next(SqliteConnection connection) =>
        Where(connection, "state = @AtWork", new { WhatIfState.AtWork }) is { Count: > 0 } waiting ? waiting[^1] : null;

    /// <summary>Keeps one, to be worked out.</summary>
    /// <exception cref="RefusedException">It has no name, or there are too many.</exception>
    public static StoredWhatIf Add(Tx tx, string name, WhatIfDefinition definition)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(name);
        var trimmed = name.Trim();
        if (trimmed.Length is 0 or > LongestName)
            throw new RefusedException("name", $"Give it a name of up to {LongestName} characters.");
        TextBounds.Check("name", trimmed);
        if (tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM what_if") >= Most)
            throw new RefusedException("name", $"There are {Most} what-ifs already; drop one first.");
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO what_if (name, definition, state, made_by, made_at)
            VALUES (@trimmed, @Definition, @AtWork, @Who, @Now) RETURNING id
            """,
            new
            {
                trimmed,
                Definition = Json.Write(definition),
                WhatIfState.AtWork,
                tx.Who,
                tx.Now,
            }
        );
        return Get(tx.Connection, id);
    }

    /// <summary>Ends the work on one; where it was stopped or dropped meanwhile it stays so.</summary>
    public static void Finish(Tx tx, long id, WhatIfState state, WhatIfResult? result)
    {
        ArgumentNullException.ThrowIfNull(tx);
        tx.Connection.Execute(
            """
            UPDATE what_if SET state = @state, result = @result, finished_at = @Now WHERE id = @id AND state = @AtWork
            """,
            new
            {
                id,
                state,
                result = result is null ? null : Json.Write(result),
                tx.Now,
                WhatIfState.AtWork,
            }
        );
    }

    /// <summary>Drops one.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static void Drop(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (tx.Connection.Execute("DELETE FROM what_if WHERE id = @id", new { id }) == 0)
            throw new NotThereException("what-if", $"{id}");
    }

    private static IReadOnlyList<StoredWhatIf> Where(SqliteConnection connection, string which, object of) =>
        [
            .. connection
                .Query<Row>(
                    "SELECT id, name, definition, state, result, made_by, made_at, finished_at FROM what_if "
                        + $"WHERE {which} ORDER BY id DESC",
                    of
                )
                .Select(r => new StoredWhatIf(
                    r.Id,
                    r.Name,
                    Json.Read<WhatIfDefinition>(r.Definition),
                    r.State,
                    r.Result is null ? null : Json.Read<WhatIfResult>(r.Result),
                    r.MadeBy,
                    r.MadeAt,
                    r.FinishedAt
                )),
        ];
}
