using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace KiteLine.Store;

/// <summary>
/// A statement that is read once by the database and run for each of very many rows, where looking up parameters by
/// name
/// and boxing their values would cost as much as storing them. Places of parameters count from 1.
/// </summary>
internal sealed class Prepared : IDisposable
{
    private readonly sqlite3 _database;
    private readonly sqlite3_stmt _statement;

    internal Prepared(SqliteConnection connection, string sql)
    {
        _database = connection.Handle!;
        Check(raw.sqlite3_prepare_v2(_database, sql, out _statement));
    }

    internal void Bind(int place, long value) => Check(raw.sqlite3_bind_int64(_statement, place, value));

    internal void Bind(int place, long? value) =>
        Check(
            value is { } given
                ? raw.sqlite3_bind_int64(_statement, place, given)
                : raw.sqlite3_bind_null(_statement, place)
        );

    internal void Bind(int place, string? value) =>
        Check(
            value is null ? raw.sqlite3_bind_null(_statement, place) : raw.sqlite3_bind_text(_statement, place, value)
        );

    /// <param name="utf8">The text as it is stored.</param>
    internal void Bind(int place, ReadOnlySpan<byte> utf8) => Check(raw.sqlite3_bind_text(_statement, place, utf8));

    /// <summary>Stores the row; what was bound stays bound. Gives the number of rows stored.</summary>
    /// <exception cref="SqliteException">A constraint does not hold.</exception>
    internal int Run()
    {
        var outcome = raw.sqlite3_step(_statement);
        raw.sqlite3_reset(_statement);
        if (outcome != raw.SQLITE_DONE)
            Check(outcome);
        return raw.sqlite3_changes(_database);
    }

    public void Dispose() => _statement.Dispose();

    private void Check(int outcome)
    {
        if (outcome != raw.SQLITE_OK)
            SqliteException.ThrowExceptionForRC(outcome, _database);
    }
}
