using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Proposes runs and takes what is decided about them; <see cref="RunPosting"/> carries them out.</summary>
public sealed class RunDesk(AccountLedgers ledgers, RunProposals proposals)
{
    // So many parts of a proposal may wait to be kept while the next are worked out.
    private const int Ahead = 3;

    /// <summary>
    /// Works out a run and keeps it to be read, changed and posted. It is kept in parts; one that was interrupted is
    /// discarded when the books are opened next.
    /// </summary>
    /// <param name="scope">Which accounts were asked for, in words.</param>
    /// <param name="find">Finds the accounts.</param>
    /// <param name="proposed">What is done by the same transaction that says that it is proposed whole.</param>
    /// <exception cref="RefusedException">The date is to come.</exception>
    public long Propose(
        Books books,
        Actor actor,
        RunKind kind,
        DateOnly date,
        string scope,
        Func<SqliteConnection, IReadOnlyList<BookAccount>> find,
        Action<Tx, long>? proposed = null
    )
    {
        ArgumentNullException.ThrowIfNull(books);
        ArgumentNullException.ThrowIfNull(find);
        var id = books.Write(
            actor,
            tx =>
            {
                RunRule.RefuseDate(date, tx.BusinessDate(), "date");
                RunRule.RefuseMore(RunStore.CountWaiting(tx.Connection));
                return Begin(tx, kind, date, scope);
            }
        );
        try
        {
            var accounts = books.Read(connection =>
            {
                var rules = Rules.Of(
                    connection,
                    CompanyStore.BusinessDate(CompanyStore.Settings(connection), books.Clock)
                );
                return Keep(
                    books,
                    actor,
                    id,
                    proposals.Of(
                        connection,
                        kind,
                        date,
                        find(connection),
                        rules,
                        (account, line) => KeptRunLine.Of(account.Id, line, rules)
                    )
                );
            });
            books.Write(
                actor,
                tx =>
                {
                    RunStore.Step(tx, id, RunState.Proposed);
                    Audit.Record(
                        tx,
                        $"run:{id}",
                        "proposed",
                        new
                        {
                            kind,
                            date,
                            scope,
                            accounts,
                        }
                    );
                    proposed?.Invoke(tx, id);
                    return true;
                }
            );
            return id;
        }
        catch
        {
            // Whoever asked left, or something failed: nobody is to find half a proposal.
            Wanted.ByAll(() =>
                books.Write(Actor.Program("runs"), tx => Discard(tx, id, "It was interrupted while it was worked out."))
            );
            throw;
        }
    }

    // What was worked out is kept while the next is, one part by one transaction, so that nobody waits long to post
    // something else.
    private static long Keep(Books books, Actor actor, long id, IEnumerable<IReadOnlyList<KeptRunLine>> proposed)
    {
        var (accounts, last, waiting) = (0L, Task.CompletedTask, new Queue<Task>());
        try
        {
            foreach (var some in proposed)
            {
                accounts += some.Count;
                if (waiting.Count == Ahead)
                    waiting.Dequeue().GetAwaiter().GetResult();
                waiting.Enqueue(last = After(last, some));
            }

            last.GetAwaiter().GetResult();
            return accounts;
        }
        finally
        {
            // Whatever happened: nothing is kept any more once this has returned.
            Task.WhenAny(last).GetAwaiter().GetResult();
        }

        Task After(Task before, IReadOnlyList<KeptRunLine> some) =>
            Task.Run(async () =>
            {
                await before;
                books.Write(
                    actor,
                    tx =>
                    {
                        foreach (var line in some)
                            RunStore.Add(tx, id, line);
                        return true;
                    }
                );
            });
    }

    private static long Begin(Tx tx, RunKind kind, DateOnly date, string scope)
    {
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO run (kind, date, scope, made_by, made_at, state) VALUES (@kind, @date, @scope, @Who, @Now, 0)
            RETURNING id
            """,
            new
            {
                kind,
                date,
                scope,
                tx.Who,
                tx.Now,
            }
        );
        RunStore.Step(tx, id, RunState.Proposing);
        return id;
    }

    /// <summary>Discards what was being worked out when the program ended.</summary>
    public static void AfterStart(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        var interrupted = books.Read(c =>
            c.Query<(long Id, long State)>($"SELECT id, state FROM run WHERE {RunStore.IsAtWork}")
                .Where(r => r.State == (long)RunState.Proposing)
                .Select(r => r.Id)
                .ToList()
        );
        foreach (var id in interrupted)
            books.Write(Actor.Program("runs"), tx => Discard(tx, id, "It was interrupted while it was worked out."));
    }

    /// <summary>Takes a decision about one account and works its line out anew.</summary>
    /// <exception cref="NotThereException">There is no such run, or it has no such account.</exception>
    /// <exception cref="RefusedException">The run or the account has come too far; or the decision is not possible; or it
    /// gives up more than the caller may.</exception>
    public StoredRunLine Change(Tx tx, long id, string code, RunChange change)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(change);
        var run = RunStore.Get(tx.Connection, id);
        RunRule.RefuseUnless(run.State, RunAct.Change);
        var account = AccountStore.Get(tx.Connection, code);
        var line = RunStore.Line(tx.Connection, id, account.Id);
        var before = RunStore.Changes(tx.Connection, id, account);
        var ledger = ledgers.Of(tx.Connection, account);
        RunChangeDecision.RefuseUnlessPossible(
            run.Kind,
            run.Date,
            line.State,
            line.Line,
            ledger,
            RunChanges.Of(before),
            change,
            tx.Actor.Authority,
            tx.Rules()
        );
        tx.Connection.Execute(
            """
            INSERT INTO run_change (run_id, account_id, kind, item_id, amount, level, reason, made_by, made_at)
            VALUES (@id, @AccountId, @Kind, @Item, @Amount, @Level, @Reason, @Who, @Now)
            """,
            new
            {
                id,
                AccountId = account.Id,
                change.Kind,
                change.Item,
                Amount = change.Amount?.Minor,
                change.Level,
                Reason = change.Reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Refresh(tx, run, ledger, RunChanges.Of([.. before, change]));
        Audit.Record(
            tx,
            $"run:{id}",
            $"{change.Kind}",
            new
            {
                account = account.Code,
                change.Item,
                amount = change.Amount?.ToString(),
                change.Level,
            },
            change.Reason
        );
        return RunStore.Line(tx.Connection, id, account.Id);
    }

    /// <summary>Works the line of an account out anew, as something about it changed.</summary>
    private static void Refresh(Tx tx, StoredRun run, AccountLedger ledger, RunChanges changes)
    {
        var line = AccountRun.Of(run.Kind, ledger, run.Date, changes, tx.Rules());
        line ??= RunLine.Nothing(ledger.Currency, run.Kind);
        RunStore.Keep(tx, run.Id, KeptRunLine.Of(ledger.Book.Id, line, tx.Rules()));
    }

    /// <summary>Says that a run is to be posted, or goes on where it was stopped.</summary>
    /// <param name="send">Whether documents go out to the customers.</param>
    /// <exception cref="RefusedException">It has come too far, or nothing is ready.</exception>
    public static StoredRun Start(Tx tx, long id, bool send)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var run = RunStore.Get(tx.Connection, id);
        RunRule.RefuseUnless(run.State, RunAct.Post);
        if (RunStore.Progress(tx.Connection, id).GetValueOrDefault(RunLineState.Ready) == 0)
            throw new RefusedException("run", "No account of the run is ready to be posted.");
        tx.Rules().RefuseClosed(tx.BusinessDate(), "run");
        RunStore.Step(tx, id, RunState.Posting, send: send);
        Audit.Record(tx, $"run:{id}", "post", new { send });
        return RunStore.Get(tx.Connection, id);
    }

    /// <summary>Stops a run between two accounts.</summary>
    /// <param name="why">What stopped it, where no person did.</param>
    /// <exception cref="RefusedException">It is not at work.</exception>
    public static StoredRun Stop(Tx tx, long id, string why = "")
    {
        ArgumentNullException.ThrowIfNull(tx);
        var run = RunStore.Get(tx.Connection, id);
        RunRule.RefuseUnless(run.State, RunAct.Stop);
        // What was to be taken back and could not be is posted still, and never posted again.
        RunPosting.StandAsPosted(tx, id);
        RunStore.Step(tx, id, RunState.Stopped, why, run.Send);
        Audit.Record(tx, $"run:{id}", "stop", new { }, why);
        return RunStore.Get(tx.Connection, id);
    }

    /// <summary>Gives a run up of which nothing was posted.</summary>
    /// <exception cref="RefusedException">It has come too far.</exception>
    public static StoredRun Discard(Tx tx, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        RunRule.RefuseUnless(RunStore.Get(tx.Connection, id).State, RunAct.Discard);
        RunStore.Step(tx, id, RunState.Discarded, reason);
        // What it proposed was never more than that.
        tx.Connection.Execute("DELETE FROM run_account WHERE run_id = @id", new { id });
        Audit.Record(tx, $"run:{id}", "discard", new { }, reason);
        return RunStore.Get(tx.Connection, id);
    }

    /// <summary>Says that all that a run posted is to be taken back.</summary>
    /// <exception cref="RefusedException">Nothing was posted, no reason is given, or it gives up more than the authority to
    /// write off covers.</exception>
    public static StoredRun Reverse(Tx tx, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        RunRule.RefuseUnless(RunStore.Get(tx.Connection, id).State, RunAct.Reverse);
        if (RunStore.Progress(tx.Connection, id).GetValueOrDefault(RunLineState.Posted) == 0)
            throw new RefusedException("run", "Nothing that the run posted still stands.");
        RunGivenUp.RefuseBeyond(tx, id, null, "run");
        RunStore.Step(tx, id, RunState.Reversing, reason);
        Audit.Record(tx, $"run:{id}", "reverse", new { }, reason);
        return RunStore.Get(tx.Connection, id);
    }

    /// <summary>Takes back what a run posted on one account.</summary>
    /// <exception cref="RefusedException">Nothing stands, later postings build on it, no reason is given, or it gives up more
    /// than the authority to write off covers, with what was reversed of the run within a month.</exception>
    public static StoredRunLine ReverseOne(Tx tx, long id, string code, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        RunRule.RefuseUnless(RunStore.Get(tx.Connection, id).State, RunAct.Reverse);
        var account = AccountStore.Get(tx.Connection, code);
        var line = RunStore.Line(tx.Connection, id, account.Id);
        if (line.State != RunLineState.Posted)
            throw new RefusedException("account", $"The run has nothing on {account.Code} that could be reversed.");
        RunGivenUp.RefuseBeyond(tx, id, account.Id, "account");
        RunPosting.TakeBack(tx, id, line, reason);
        return RunStore.Line(tx.Connection, id, account.Id);
    }
}
