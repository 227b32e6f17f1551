using System.Data;
using System.Diagnostics;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// The database of one company: one writer at a time in <c>BEGIN IMMEDIATE</c> transactions, any number of readers
/// from the pool.
/// </summary>
public sealed class Books : IDisposable
{
    private readonly string _connection;
    private readonly Connections _connections;
    private readonly SemaphoreSlim _writer = new(1, 1);
    private int _waiting;

    private Books(string path, TimeProvider clock)
    {
        Path = path;
        Clock = clock;
        _connection = To(path);
        _connections = new(_connection);
    }

    /// <summary>The file.</summary>
    public string Path { get; }

    /// <summary>Stamps who-and-when columns. Never used for a computation.</summary>
    public TimeProvider Clock { get; }

    /// <summary>Opens the books, made new or brought up to date as needed.</summary>
    /// <exception cref="UnsoundBooksException">The file is there and holds no sound books.</exception>
    /// <exception cref="NewerBooksException">A newer version of the program made them.</exception>
    public static Books Open(string path, TimeProvider? clock = null)
    {
        Columns.Register();
        OwnersFolder.Make(System.IO.Path.GetDirectoryName(System.IO.Path.GetFullPath(path))!);
        if (File.Exists(path))
            BooksFile.Know(path);
        else
            BooksFile.Make(path, To);
        BooksFile.OwnersAlone(path);
        var books = new Books(path, clock ?? TimeProvider.System);
        if (Migration.Run(books._connection) || !books.Read(IsSealed))
            books.Run(
                Actor.Program("upgrade"),
                tx =>
                {
                    Sealing.Anew(tx);
                    return true;
                }
            );
        return books;
    }

    private static bool IsSealed(SqliteConnection connection) =>
        connection.ExecuteScalar<bool>("SELECT EXISTS (SELECT 1 FROM seal)");

    private static string To(string path) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
            DefaultTimeout = 10,
        }.ToString();

    /// <summary>
    /// Takes what was committed into the file, as much as nobody reads at the time. Nobody waits for it.
    /// </summary>
    public void Checkpoint()
    {
        using var connection = Connect();
        connection.Execute("PRAGMA wal_checkpoint(PASSIVE)");
    }

    /// <summary>Reads from one consistent state of the books.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more; see <see cref="Wanted"/>.</exception>
    public T Read<T>(Func<SqliteConnection, T> read)
    {
        ArgumentNullException.ThrowIfNull(read);
        return _connections.With(connection =>
        {
            using var transaction = connection.BeginTransaction(IsolationLevel.Serializable, deferred: true);
            return Wanted.During(connection, () => read(connection));
        });
    }

    /// <summary>Does everything in one transaction, or nothing.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more, and nothing was done.</exception>
    public T Write<T>(Actor who, Func<Tx, T> write) => Run(who, write);

    /// <summary>As <see cref="Write{T}(Actor, Func{Tx, T})"/>, for what the program does by itself.</summary>
    public T Write<T>(string program, Func<Tx, T> write) => Run(Actor.Program(program), write);

    /// <summary>
    /// Does something on a copy of the records (accounts, policies, limits, settings), to show what a change of many
    /// would do. The books are read once; nothing is written to them and no lock is held. The ledger is not in the
    /// copy.
    /// </summary>
    /// <param name="accounts">Codes of the accounts that are copied; null for all.</param>
    public T Rehearse<T>(Actor who, Func<Tx, T> write, IReadOnlyCollection<string>? accounts = null)
    {
        ArgumentNullException.ThrowIfNull(write);
        using var copy = RecordsCopy.Of(_connection, accounts);
        return Wanted.During(copy, () => write(new Tx(this, who, copy)));
    }

    /// <summary>Whether somebody waits to write while another does.</summary>
    internal bool IsAwaited => Volatile.Read(ref _waiting) > 0;

    /// <summary>Raised when a transaction has begun and nobody else may write any more.</summary>
    public event Action<Tx>? Beginning;

    /// <summary>Raised before a commit, when its number is known.</summary>
    public event Action<Tx>? Committing;

    /// <summary>Raised after a commit with the accounts it touched, before anybody else may write.</summary>
    public event Action<Tx>? Committed;

    /// <summary>A connection of the caller's own, set up like all others.</summary>
    public SqliteConnection Connect()
    {
        var connection = new SqliteConnection(_connection);
        Connections.SetUp(connection);
        return connection;
    }

    /// <summary>Takes everything into the file and empties the one beside it, unless another program reads.</summary>
    internal void CheckpointAll()
    {
        try
        {
            using var connection = Connect();
            connection.Execute("PRAGMA busy_timeout = 1000; PRAGMA wal_checkpoint(TRUNCATE)");
        }
        catch (SqliteException)
        {
            // What is not in the file yet stays beside it and is taken in when the books are opened next.
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _connections.Dispose();
        CheckpointAll();
        SqliteConnection.ClearPool(new SqliteConnection(_connection));
        _writer.Dispose();
    }

    private T Run<T>(Actor who, Func<Tx, T> write)
    {
        ArgumentNullException.ThrowIfNull(write);
        var asked = Stopwatch.GetTimestamp();
        Interlocked.Increment(ref _waiting);
        try
        {
            _writer.Wait(Wanted.Caller);
        }
        finally
        {
            Interlocked.Decrement(ref _waiting);
        }

        try
        {
            return _connections.ToWrite(connection => Run(connection, asked, who, write));
        }
        finally
        {
            _writer.Release();
        }
    }

    private T Run<T>(SqliteConnection connection, long asked, Actor who, Func<Tx, T> write)
    {
        using var transaction = connection.BeginTransaction(IsolationLevel.Serializable, deferred: false);
        BookMeters.LockWait.Record(Stopwatch.GetElapsedTime(asked).TotalSeconds);
        var tx = new Tx(this, who, connection);
        Beginning?.Invoke(tx);
        var byOthers = Sealing.TouchedByOthers(connection);
        var result = Wanted.During(connection, () => write(tx));
        // From here on it is carried through, whoever leaves.
        tx.Load();
        Sealing.Close(tx, byOthers);
        tx.Changes = connection.ExecuteScalar<long>("UPDATE company SET changes = changes + 1 RETURNING changes");
        Committing?.Invoke(tx);
        transaction.Commit();
        BookMeters.Commits.Add(1, new KeyValuePair<string, object?>("by", who.Identity.Split(' ')[0]));
        foreach (var kind in tx.Postings)
            BookMeters.Postings.Add(1, new KeyValuePair<string, object?>("kind", kind.ToString()));
        Committed?.Invoke(tx);
        return result;
    }
}
