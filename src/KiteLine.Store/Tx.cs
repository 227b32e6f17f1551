using System.Globalization;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>A write transaction, and which accounts it has touched.</summary>
public sealed class Tx(Books books, Actor actor, SqliteConnection connection)
{
    private readonly HashSet<long> _accounts = [];

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

    /// <summary>The accounts touched so far.</summary>
    public IReadOnlyCollection<long> Accounts => _accounts;

    /// <summary>True when so much was touched that a copy in memory must be made anew.</summary>
    public bool TouchedAll { get; private set; }

    /// <summary>The touched accounts as they are in the books at the end, just before the commit.</summary>
    internal IReadOnlyList<BookAccount> Loaded { get; private set; } = [];

    /// <summary>Reads what was touched, and refuses what cannot be added up any more.</summary>
    /// <exception cref="RefusedException">An account would hold more than it can.</exception>
    internal void Load()
    {
        if (TouchedAll || _accounts.Count == 0)
            return;
        Loaded = BookLoader.Load(Connection, _accounts);
        foreach (var account in Loaded)
            AccountBounds.RefuseBeyond(account);
    }

    /// <summary>The number of the change, once committed.</summary>
    public long Changes { get; internal set; }

    /// <summary>Now, for who-and-when columns.</summary>
    public string Now => Stamp(books.Clock.GetUtcNow());

    /// <summary>A while ago, written as such columns are.</summary>
    internal string Ago(TimeSpan span) => Stamp(books.Clock.GetUtcNow() - span);

    private static string Stamp(DateTimeOffset time) =>
        time.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    /// <summary>The company's today.</summary>
    public DateOnly BusinessDate() =>
        ActingOn ?? CompanyStore.BusinessDate(CompanyStore.Settings(Connection), books.Clock);

    /// <summary>
    /// The business date to act on while books are made together with their history; null for the company's today.
    /// </summary>
    public DateOnly? ActingOn { get; set; }

    /// <summary>The rules of the business date.</summary>
    public BooksRules Rules() => Store.Rules.Of(Connection, BusinessDate());

    /// <summary>True when groups or rates changed, which a copy in memory must read anew.</summary>
    public bool TouchedGroups { get; private set; }

    /// <summary>True when the company's settings or its calendar changed.</summary>
    public bool TouchedCompany { get; private set; }

    /// <summary>Settings or rates changed: whatever is computed from the book may be another.</summary>
    public void TouchCompany() => TouchedCompany = true;

    /// <summary>Groups or their limits changed.</summary>
    public void TouchGroups() => TouchedGroups = true;

    /// <summary>An account changed: its part of the book is read again after the commit.</summary>
    public void Touch(long accountId) => _accounts.Add(accountId);

    /// <summary>So many accounts changed that the whole book is read again.</summary>
    public void TouchAll() => TouchedAll = true;
}
