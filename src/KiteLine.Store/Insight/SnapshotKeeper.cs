using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Keeps the snapshot of the book current: after own commits by the accounts they touched, after others' as a whole.
/// </summary>
public sealed class SnapshotKeeper : IDisposable
{
    private readonly Books _books;
    private readonly SqliteConnection _watch;
    private readonly Lock _gate = new();
    private BookSnapshot? _current;
    private long _dataVersion;

    public SnapshotKeeper(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        _books = books;
        _watch = books.Connect();
        books.Committed += OnCommitted;
    }

    /// <summary>The book as of the last commit by anyone.</summary>
    public BookSnapshot Current
    {
        get
        {
            lock (_gate)
            {
                // SQLite changes this number when any other connection has committed; asking costs microseconds.
                var dataVersion = _watch.ExecuteScalar<long>("PRAGMA data_version");
                if (_current is not null && dataVersion == _dataVersion)
                    return _current;
                var changes = _watch.ExecuteScalar<long>("SELECT changes FROM company");
                if (_current is null || changes != _current.Changes)
                    _current = Load();
                _dataVersion = dataVersion;
                return _current;
            }
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _books.Committed -= OnCommitted;
        _watch.Dispose();
    }

    private void OnCommitted(Tx tx)
    {
        lock (_gate)
        {
            if (_current is null)
                return;
            // A commit by another program lies between, or too much changed: read the whole book when next asked.
            if (tx.TouchedAll || tx.Changes != _current.Changes + 1)
                _current = null;
            else
            {
                _current = _current.With(
                    tx.Changes,
                    tx.Accounts.Count == 0 ? [] : BookLoader.Load(tx.Connection, tx.Accounts)
                );
                if (tx.TouchedGroups)
                    _current = _current with
                    {
                        Changes = tx.Changes,
                        Groups = BookLoader.Groups(tx.Connection),
                        Rates = RateStore.Rates(tx.Connection, _current.Settings),
                        Calendar = CalendarInForce.Of(tx.Connection, _current.Settings).Calendar,
                    };
            }
        }
    }

    private BookSnapshot Load() =>
        _books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            return new BookSnapshot(
                connection.ExecuteScalar<long>("SELECT changes FROM company"),
                settings,
                BookSnapshot.Sorted(BookLoader.Load(connection)),
                BookLoader.Groups(connection),
                RateStore.Rates(connection, settings),
                CalendarInForce.Of(connection, settings).Calendar
            );
        });
}
