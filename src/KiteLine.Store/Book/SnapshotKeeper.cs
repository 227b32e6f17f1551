using Dapper;
using KiteLine.Core;
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
    private long _coming;

    /// <summary>Follows the commits of the books from now on.</summary>
    public SnapshotKeeper(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        _books = books;
        _watch = books.Connect();
        books.Beginning += OnBeginning;
        books.Committing += OnCommitting;
        books.Committed += OnCommitted;
    }

    /// <summary>
    /// The book as of the last commit by anyone. While a commit of this program's own is on its way into the snapshot,
    /// the book before it; whoever asked for the commit is answered after that.
    /// </summary>
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
                if (_current is not null && changes == _coming && changes == _current.Changes + 1)
                    return _current;
                if (_current is null || changes != _current.Changes)
                    _current = Wanted.ByAll(Load);
                _dataVersion = dataVersion;
                return _current;
            }
        }
    }

    /// <summary>
    /// Keeps a copy of the book for the next start, when nobody writes any more. Where the book in memory is not the
    /// latest, as another program wrote, none is made.
    /// </summary>
    /// <exception cref="IOException">There is no room for it, or it may not be written.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public void KeepCopy()
    {
        BookSnapshot? book;
        lock (_gate)
            book = _current;
        if (book is null)
            return;
        _books.CheckpointAll();
        if (_books.Read(BookCopyStamp.Of) is { } stamp && stamp.Changes == book.Changes)
            BookCopy.Keep(_books.Path, stamp, book.Accounts);
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _books.Beginning -= OnBeginning;
        _books.Committing -= OnCommitting;
        _books.Committed -= OnCommitted;
        _watch.Dispose();
    }

    private void OnBeginning(Tx tx)
    {
        BookSnapshot? current;
        lock (_gate)
            current = _current;
        if (current?.Changes == tx.Connection.ExecuteScalar<long?>("SELECT changes FROM company"))
            tx.Found = current;
    }

    private void OnCommitting(Tx tx)
    {
        lock (_gate)
            _coming = tx.Changes;
    }

    private void OnCommitted(Tx tx)
    {
        BookSnapshot? before;
        lock (_gate)
            before = _current;
        // A commit by another program lies between, or too much changed: the whole book is read when next asked for.
        var after = before is null || tx.TouchedAll || tx.Changes != before.Changes + 1 ? null : After(tx, before);
        lock (_gate)
        {
            // Nobody else of this program commits meanwhile; a reader may have read the whole book.
            if (ReferenceEquals(_current, before))
                _current = after;
            _coming = 0;
        }
    }

    private static BookSnapshot After(Tx tx, BookSnapshot before)
    {
        var after = before.With(tx.Changes, tx.Loaded);
        if (tx.TouchedCompany)
            after = after with
            {
                Settings = CompanyStore.Settings(tx.Connection),
                Calendar = CalendarInForce.Of(tx.Connection, CompanyStore.Settings(tx.Connection)).Calendar,
            };
        if (tx.TouchedGroups || tx.TouchedCompany)
            after = after.With(GroupLoader.Load(tx.Connection), RateStore.Rates(tx.Connection, after.Settings));
        return after;
    }

    // What an item with its movement takes, and an account with its limit and names: about as much as was measured.
    private static long Bytes(SqliteConnection connection) =>
        100 * connection.ExecuteScalar<long>("SELECT coalesce(max(id), 0) FROM item")
        + 1000 * connection.ExecuteScalar<long>("SELECT coalesce(max(id), 0) FROM account");

    private BookSnapshot Load() =>
        _books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            return new BookSnapshot(
                connection.ExecuteScalar<long>("SELECT changes FROM company"),
                settings,
                BookSnapshot.Sorted(Uncollected.While(Bytes(connection), () => BookLoader.Load(_books, connection))),
                GroupLoader.Load(connection),
                RateStore.Rates(connection, settings),
                CalendarInForce.Of(connection, settings).Calendar
            );
        });
}
