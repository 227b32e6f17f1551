using System.Collections.Concurrent;
using Dapper;

namespace KiteLine.Store;

/// <summary>Connections that nobody uses at the moment, open and with their statements.</summary>
internal sealed class Connections(string connection) : IDisposable
{
    // As many as read at once on a busy day; more are opened when they are needed and not kept.
    private const int Most = 6;

    private readonly ConcurrentBag<KeptConnection> _idle = [];
    private volatile bool _over;

    /// <summary>Does something with a connection of one's own.</summary>
    internal T With<T>(Func<KeptConnection, T> work)
    {
        if (!_idle.TryTake(out var taken))
            taken = new(connection);
        try
        {
            SetUp(taken);
            var result = work(taken);
            taken.Rest();
            if (!_over && _idle.Count < Most)
            {
                _idle.Add(taken);
                taken = null;
            }

            return result;
        }
        finally
        {
            // After an error nothing of it is kept.
            taken?.Dispose();
        }
    }

    // Of the pages that all connections keep, in bytes; near it a connection reuses its own before it takes more.
    private const int PagesOfAll = 64 << 20;

    /// <summary>How all connections are set up; one that was used before may have been set up otherwise.</summary>
    internal static void SetUp(Microsoft.Data.Sqlite.SqliteConnection connection)
    {
        if (connection.State == System.Data.ConnectionState.Closed)
            connection.Open();
        connection.Execute(
            "PRAGMA busy_timeout = 10000; PRAGMA synchronous = FULL; PRAGMA cache_size = -16384; "
                + $"PRAGMA temp_store = MEMORY; PRAGMA soft_heap_limit = {PagesOfAll}"
        );
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _over = true;
        while (_idle.TryTake(out var connection))
            connection.Dispose();
    }
}
