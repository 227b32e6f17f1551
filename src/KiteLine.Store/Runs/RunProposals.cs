using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Works out what a run comes to for many accounts. Nothing is written.</summary>
/// <param name="ledgers">Reads the ledger of one account.</param>
/// <param name="versions">Policies by version.</param>
public sealed class RunProposals(AccountLedgers ledgers, VersionCache versions)
{
    // So few are read from the books one by one; for more, the whole of what stands beside the book is read once.
    private const int Few = 200;

    /// <summary>An account with what a run comes to for it.</summary>
    public sealed record Proposed(BookAccount Account, RunLine Line);

    // So many are worked out side by side and given before the next: what a large book comes to is never all in memory.
    private const int Together = 4000;

    /// <summary>
    /// The lines of those accounts that the run has something to do with, in the order in which the accounts are given,
    /// some at a time.
    /// </summary>
    public IEnumerable<IReadOnlyList<Proposed>> Of(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        IReadOnlyList<BookAccount> accounts,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(rules);
        RunRule.RefuseDate(date, rules.Today, "date");
        return accounts.Count <= Few
            ? [Some(accounts, a => FromBooks(connection, kind, date, a, rules))]
            : OfMany(connection, kind, date, accounts, rules);
    }

    private IEnumerable<IReadOnlyList<Proposed>> OfMany(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        IReadOnlyList<BookAccount> accounts,
        BooksRules rules
    )
    {
        var all = new RunLedgers(connection, versions);
        for (var from = 0; from < accounts.Count; from += Together)
        {
            var some = accounts.Skip(from).Take(Together).ToArray();
            var lines = new RunLine?[some.Length];
            Parallel.For(
                0,
                some.Length,
                new ParallelOptions { CancellationToken = Wanted.Caller },
                i =>
                {
                    if (HasPassed(some[i], date) && !all.MustBeRead(some[i]))
                        lines[i] = AccountRun.Of(kind, all.Of(some[i]), date, RunChanges.None, rules);
                }
            );
            var at = 0;
            yield return Some(
                some,
                account =>
                {
                    var line = lines[at++];
                    return all.MustBeRead(account) ? FromBooks(connection, kind, date, account, rules) : line;
                }
            );
        }
    }

    private static List<Proposed> Some(IReadOnlyList<BookAccount> accounts, Func<BookAccount, RunLine?> of)
    {
        var proposed = new List<Proposed>(accounts.Count);
        foreach (var account in accounts)
            if (of(account) is { } line)
                proposed.Add(new(account, line));
        return proposed;
    }

    private RunLine? FromBooks(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        BookAccount account,
        BooksRules rules
    ) =>
        AccountRun.Of(
            kind,
            ledgers.Of(connection, AccountStore.ById(connection, account.Id)),
            date,
            RunChanges.None,
            rules
        );

    // Nothing is charged or reminded before its due date.
    private static bool HasPassed(BookAccount account, DateOnly date)
    {
        foreach (ref readonly var item in account.Items.AsSpan())
            if (item.Due < date)
                return true;
        return false;
    }
}
