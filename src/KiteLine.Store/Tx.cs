using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>A write transaction, and which accounts it has touched.</summary>
public sealed class Tx(Books books, Actor actor, SqliteConnection connection)
{
    private readonly HashSet<long> _accounts = [];

    // The items that were added or moved, by account; null once they are not told any more.
    private Dictionary<long, HashSet<long>>? _moved = [];
    private readonly int _begun = SQLitePCL.raw.sqlite3_total_changes(connection.Handle);
    private (BookAccount Book, int At)? _read;
    private int _beside;
    private CompanySettings? _settings;
    private BooksRules? _rules;

    /// <summary>Reads what the transaction has written so far.</summary>
    public SqliteConnection Connection { get; } = connection;

    /// <summary>The kinds of what was posted so far, to be counted when it is committed.</summary>
    internal List<PostingKind> Postings { get; } = [];

    /// <summary>Digests of rows that were made while they were written, where there are very many.</summary>
    internal List<SealedRun> Sealed { get; } = [];

    /// <summary>Who is doing this, and with what authority.</summary>
    public Actor Actor { get; } = actor;

    /// <summary>The name of who is doing this.</summary>
    public string Who => Actor.Name;

    /// <summary>Whether somebody waits to write until this is committed.</summary>
    internal bool IsAwaited => books.IsAwaited;

    /// <summary>The accounts touched so far.</summary>
    public IReadOnlyCollection<long> Accounts => _accounts;

    /// <summary>True when so much was touched that a copy in memory must be made anew.</summary>
    public bool TouchedAll { get; private set; }

    /// <summary>The touched accounts as they are in the books at the end, just before the commit.</summary>
    internal IReadOnlyList<BookAccount> Loaded { get; private set; } = [];

    /// <summary>The book in memory, where it is just as the transaction found the books; else null.</summary>
    internal BookSnapshot? Found { get; set; }

    private int Writes => SQLitePCL.raw.sqlite3_total_changes(Connection.Handle) - _beside;

    /// <summary>
    /// An account as it stands in the books now, with what this transaction did. It is read only when something was written
    /// since it was read last.
    /// </summary>
    internal BookAccount Book(Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        var at = Writes;
        if (_read is { } read && read.At == at && read.Book.Id == account.Id)
            return read.Book;
        var book =
            at == _begun && Found?.Find(account.Code) is { } found && found.Id == account.Id
                ? found
                : Load([account.Id])[0];
        _read = (book, at);
        return book;
    }

    // Where the book in memory is as the transaction found the books, only what it moved since is read.
    private BookAccount[] Load(IReadOnlyCollection<long> ids) =>
        Found is { } found && _moved is { } moved
            ? BookLoader.Load(Connection, ids, found.Find, moved)
            : BookLoader.Load(Connection, ids);

    /// <summary>An item of an account was added, or something was moved on it.</summary>
    internal void Move(long accountId, long itemId)
    {
        if (_moved is null)
            return;
        if (!_moved.TryGetValue(accountId, out var items))
            _moved.Add(accountId, items = []);
        items.Add(itemId);
    }

    /// <summary>Items were added without telling which: whatever is touched is read as a whole.</summary>
    internal void MoveMany() => _moved = null;

    /// <summary>Writes something that is no part of any account.</summary>
    internal void Beside(Action write)
    {
        var before = SQLitePCL.raw.sqlite3_total_changes(Connection.Handle);
        write();
        _beside += SQLitePCL.raw.sqlite3_total_changes(Connection.Handle) - before;
    }

    /// <summary>Reads what was touched, and refuses what cannot be added up any more.</summary>
    /// <exception cref="RefusedException">An account would hold more than it can.</exception>
    internal void Load()
    {
        if (TouchedAll || _accounts.Count == 0)
            return;
        Loaded =
            _read is { } read && read.At == Writes && _accounts.Count == 1 && _accounts.Contains(read.Book.Id)
                ? [read.Book]
                : Load(_accounts);
        // A posting can always be taken back, once: an account then holds at most twice as much, which still adds up.
        if (Postings.Count > 0 && Postings.TrueForAll(kind => kind == PostingKind.Reversal))
            return;
        foreach (var account in Loaded)
            AccountBounds.RefuseBeyond(account, Found?.Find(account.Code));
    }

    /// <summary>The number of the change, once committed.</summary>
    public long Changes { get; internal set; }

    /// <summary>Now, for who-and-when columns.</summary>
    public string Now => Times.Text(books.Clock.GetUtcNow());

    /// <summary>A while ago, written as such columns are.</summary>
    internal string Ago(TimeSpan span) => Times.Text(books.Clock.GetUtcNow() - span);

    /// <summary>Stamps who-and-when columns.</summary>
    internal TimeProvider Clock => books.Clock;

    /// <summary>The company's settings as the transaction finds or leaves them.</summary>
    public CompanySettings Settings() => _settings ??= CompanyStore.Settings(Connection);

    /// <summary>The company's today.</summary>
    public DateOnly BusinessDate() => ActingOn ?? CompanyStore.BusinessDate(Settings(), books.Clock);

    /// <summary>
    /// The business date to act on while books are made together with their history; null for the company's today.
    /// </summary>
    public DateOnly? ActingOn { get; set; }

    /// <summary>The rules of the business date, which many postings of one transaction go by.</summary>
    public BooksRules Rules()
    {
        var today = BusinessDate();
        return _rules?.Today == today ? _rules : _rules = Store.Rules.Of(Connection, today);
    }

    // Settings, calendars or rates were written: what was read of them is read again.
    private void ReadAgain() => (_settings, _rules) = (null, null);

    /// <summary>True when groups or rates changed, which a copy in memory must read anew.</summary>
    public bool TouchedGroups { get; private set; }

    /// <summary>True when the company's settings or its calendar changed.</summary>
    public bool TouchedCompany { get; private set; }

    /// <summary>Settings or rates changed: whatever is computed from the book may be another.</summary>
    public void TouchCompany()
    {
        TouchedCompany = true;
        ReadAgain();
    }

    /// <summary>Groups or their limits changed.</summary>
    public void TouchGroups()
    {
        TouchedGroups = true;
        ReadAgain();
    }

    /// <summary>True when a run took a step, so that whoever carries runs out looks.</summary>
    public bool TouchedRuns { get; internal set; }

    /// <summary>An account changed: its part of the book is read again after the commit.</summary>
    public void Touch(long accountId) => _accounts.Add(accountId);

    /// <summary>So many accounts changed that the whole book is read again.</summary>
    public void TouchAll()
    {
        TouchedAll = true;
        ReadAgain();
    }
}
