using System.Collections.Concurrent;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads the items of the whole book with two processors: they are cut into runs, and a second connection that sees the
/// same state of the books takes from them beside the first.
/// </summary>
internal sealed class WholeBookReader
{
    private const int Runs = 8;
    private readonly ConcurrentQueue<(int At, long From, long Before)> _left = [];
    private readonly ItemReader.Run[] _read = new ItemReader.Run[Runs];
    private readonly Lazy<Dictionary<long, DateOnly>> _posted;
    private readonly SqliteConnection _connection;
    private readonly Task _helper;

    /// <summary>Begins. The connection may be used for something else until <see cref="Finish"/>.</summary>
    internal WholeBookReader(Books books, SqliteConnection connection)
    {
        _connection = connection;
        var changes = connection.ExecuteScalar<long>("SELECT changes FROM company");
        var most = connection.ExecuteScalar<long>("SELECT coalesce(max(id), 0) FROM item") + 1;
        for (var i = 0; i < Runs; i++)
            _left.Enqueue((i, most * i / Runs, most * (i + 1) / Runs));
        _posted = new(() => books.Read(c => ItemReader.Posted(c)));
        _helper = Task.Run(() =>
            books.Read(c =>
            {
                // Somebody committed between the two: what it sees does not go with what the first one sees.
                if (c.ExecuteScalar<long>("SELECT changes FROM company") == changes)
                    Take(c);
                return true;
            })
        );
    }

    /// <summary>Reads what is left, and gives all items.</summary>
    internal IReadOnlyList<ItemReader.Run> Finish()
    {
        Take(_connection);
        _helper.GetAwaiter().GetResult();
        return _read;
    }

    private void Take(SqliteConnection connection)
    {
        while (_left.TryDequeue(out var run))
            _read[run.At] = ItemReader.Read(connection, run.From, run.Before, _posted.Value);
    }
}
