using System.Collections.Concurrent;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Connections that nobody uses at the moment, open and with their statements: one to write with, and some to read with.
/// </summary>
internal sealed class Connections(string connection) : IDisposable
{
    // As many as read at once on a busy day; more are opened when they are needed and not kept.
    private const int Most = 4;

    // Kibibytes of pages that a connection keeps. One that reads must give its own up whenever somebody has committed; the
    // one that writes goes on with them.
    private const int PagesToRead = 2 << 10;
    private const int PagesToWrite = 16 << 10;

    private readonly ConcurrentBag<KeptConnection> _idle = [];
    private KeptConnection? _writer;
    private volatile bool _over;

    /// <summary>Does something with a connection of one's own to read with.</summary>
    internal T With<T>(Func<KeptConnection, T> work)
    {
        if (!_idle.TryTake(out var taken))
            taken = new(connection);
        try
        {
            SetUp(taken, PagesToRead);
            var result = work(taken);
            taken.Rest();
            if (_over)
                return result;
            if (_idle.Count < Most)
            {
                _idle.Add(taken);
                taken = null;
            }
            else
                // The framework keeps what is closed open for a while, with the pages that it holds.
                taken.Execute("PRAGMA shrink_memory");

            return result;
        }
        finally
        {
            // After an error nothing of it is kept.
            taken?.Dispose();
        }
    }

    /// <summary>Does something with the connection to write with, which one at a time may do.</summary>
    internal T ToWrite<T>(Func<KeptConnection, T> work)
    {
        var taken = _writer ?? new(connection);
        _writer = null;
        try
        {
            SetUp(taken, PagesToWrite);
            var result = work(taken);
            taken.Rest();
            if (!_over)
            {
                _writer = taken;
                taken = null;
            }

            return result;
        }
        finally
        {
            taken?.Dispose();
        }
    }

    /// <summary>
    /// Tells the database library, before anything is opened, what it need not do: a connection is used by one thread at a
    /// time, so it need not be locked at each call, and nobody asks for a count of the memory of all of them, which all
    /// would have to wait for. Without it everything is the same, and slower.
    /// </summary>
    internal static void Prepare()
    {
        SQLitePCL.Batteries_V2.Init();
        // Both are refused, and nothing is lost, where something was opened before.
        _ = SQLitePCL.raw.sqlite3_config(SQLitePCL.raw.SQLITE_CONFIG_MULTITHREAD);
        _ = SQLitePCL.raw.sqlite3_config(SQLitePCL.raw.SQLITE_CONFIG_MEMSTATUS, 0);
    }

    /// <summary>How all connections are set up; one that was used before may have been set up otherwise.</summary>
    internal static void SetUp(SqliteConnection connection, int pages = PagesToRead)
    {
        if (connection.State == System.Data.ConnectionState.Closed)
            connection.Open();
        connection.Execute(
            $"PRAGMA busy_timeout = 10000; PRAGMA synchronous = FULL; PRAGMA cache_size = -{pages}; "
                + "PRAGMA temp_store = MEMORY"
        );
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _over = true;
        _writer?.Dispose();
        while (_idle.TryTake(out var connection))
            connection.Dispose();
    }
}
