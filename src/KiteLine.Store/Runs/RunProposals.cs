using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Works out what a run comes to for many accounts. Nothing is written.</summary>
/// <param name="ledgers">Reads the ledger of one account.</param>
/// <param name="versions">Policies by version.</param>
public sealed class RunProposals(AccountLedgers ledgers, VersionCache versions)
{
    // So few are read from the books one by one; for more, items and movements come out of the book in memory.
    private const int Few = 200;

    // So many are worked out side by side and given before the next: what a large book comes to is never all in memory.
    private const int Together = 2000;

    /// <summary>
    /// The lines of those accounts that the run has something to do with, in the order in which the accounts are given,
    /// some at a time.
    /// </summary>
    /// <param name="made">What is to be given of a line; called for several at once.</param>
    public IEnumerable<IReadOnlyList<T>> Of<T>(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        IReadOnlyList<BookAccount> accounts,
        BooksRules rules,
        Func<BookAccount, RunLine, T> made
    )
        where T : class
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(rules);
        ArgumentNullException.ThrowIfNull(made);
        RunRule.RefuseDate(date, rules.Today, "date");
        return accounts.Count <= Few
            ?
            [
                [.. accounts.Select(a => FromBooks(connection, kind, date, a, rules, made)).OfType<T>()],
            ]
            : OfMany(connection, kind, date, accounts, rules, made);
    }

    private IEnumerable<IReadOnlyList<T>> OfMany<T>(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        IReadOnlyList<BookAccount> accounts,
        BooksRules rules,
        Func<BookAccount, RunLine, T> made
    )
        where T : class
    {
        var (policies, raised) = (new RunPolicies(connection), new RaisedLines(versions));
        var parts = accounts.Chunk(Together).ToArray();
        var next = Read(parts[0]);
        for (var part = 0; part < parts.Length; part++)
        {
            var (some, beside) = (parts[part], next.GetAwaiter().GetResult());
            // What the next part needs is read while this one is worked out; one connection reads for one at a time.
            if (part + 1 < parts.Length)
                next = Read(parts[part + 1]);
            var lines = new T?[some.Length];
            try
            {
                Parallel.For(
                    0,
                    some.Length,
                    new ParallelOptions { CancellationToken = Wanted.Caller },
                    i =>
                    {
                        if (!beside.MustBeRead(some[i]) && HasPassed(some[i], date))
                            lines[i] = Made(
                                some[i],
                                AccountRun.Of(kind, beside.Of(some[i]), date, RunChanges.None, rules),
                                made
                            );
                    }
                );
            }
            finally
            {
                Task.WhenAny(next).GetAwaiter().GetResult();
            }

            for (var i = 0; i < some.Length; i++)
                if (beside.MustBeRead(some[i]))
                    lines[i] = FromBooks(connection, kind, date, some[i], rules, made);
            yield return [.. lines.OfType<T>()];
        }

        Task<RunLedgers> Read(BookAccount[] some) => Task.Run(() => new RunLedgers(connection, policies, raised, some));
    }

    private T? FromBooks<T>(
        SqliteConnection connection,
        RunKind kind,
        DateOnly date,
        BookAccount account,
        BooksRules rules,
        Func<BookAccount, RunLine, T> made
    )
        where T : class
    {
        var ledger = ledgers.Of(connection, AccountStore.ById(connection, account.Id));
        return Made(account, AccountRun.Of(kind, ledger, date, RunChanges.None, rules), made);
    }

    private static T? Made<T>(BookAccount account, RunLine? line, Func<BookAccount, RunLine, T> made)
        where T : class => line is null ? null : made(account, line);

    // Nothing is charged or reminded before its due date.
    private static bool HasPassed(BookAccount account, DateOnly date)
    {
        foreach (ref readonly var item in account.Items.AsSpan())
            if (item.Due < date)
                return true;
        return false;
    }
}
