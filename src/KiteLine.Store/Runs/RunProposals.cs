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

    /// <summary>
    /// The lines of those accounts that the run has something to do with, in the order in which the accounts are given.
    /// </summary>
    public IReadOnlyList<Proposed> Of(
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
        if (accounts.Count <= Few)
            return
            [
                .. accounts
                    .Select(a => (Account: a, Line: FromBooks(connection, kind, date, a, rules)))
                    .Where(p => p.Line is not null)
                    .Select(p => new Proposed(p.Account, p.Line!)),
            ];
        var all = new RunLedgers(connection, versions);
        var lines = new RunLine?[accounts.Count];
        Parallel.For(
            0,
            accounts.Count,
            new ParallelOptions { CancellationToken = Wanted.Caller },
            i =>
            {
                if (HasPassed(accounts[i], date) && !all.MustBeRead(accounts[i]))
                    lines[i] = AccountRun.Of(kind, all.Of(accounts[i]), date, RunChanges.None, rules);
            }
        );
        var proposed = new List<Proposed>();
        for (var i = 0; i < lines.Length; i++)
        {
            if (all.MustBeRead(accounts[i]))
                lines[i] = FromBooks(connection, kind, date, accounts[i], rules);
            if (lines[i] is { } line)
                proposed.Add(new(accounts[i], line));
        }

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
