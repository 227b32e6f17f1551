using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Carries runs out: account by account, some in each transaction, so that a stop or a kill leaves whole accounts and
/// others can post in between. Whether an account still comes to what was proposed is looked at in the transaction that
/// posts it; one that does not is proposed anew and waits.
/// </summary>
/// <param name="sendCharge">Puts a charge document that was just posted into the outbox.</param>
/// <param name="sendReminder">Puts a reminder that was just issued into the outbox, by its number.</param>
public sealed class RunPosting(
    Books books,
    AccountLedgers ledgers,
    ReminderDesk reminders,
    Action<Tx, long> sendCharge,
    Action<Tx, string> sendReminder
)
{
    // So few that nobody who posts something else waits long for one of them.
    private const int Charges = 50;

    // While nobody waits, so many times as many are posted by one transaction: a commit costs as much as ten accounts.
    private const int Rounds = 5;
    private const int Letters = 12;
    private const int Reversals = 20;

    // The account up to which a run of charges is posted. They are taken in the order in which they lie in the books, so
    // that those of one transaction share pages of it.
    private (long Run, long Account) _reached;

    // What a letter was made of is kept beside it: it is looked at again when the letter is issued.
    private sealed record Letter(long AccountId, ReminderLetter Of, byte[] Pdf);

    /// <summary>The oldest run that is at work; null where there is none.</summary>
    public static long? AtWork(SqliteConnection connection) =>
        connection
            .Query<(long Id, long State)>($"SELECT id, state FROM run WHERE {RunStore.IsAtWork} ORDER BY id")
            .Where(r => (RunState)r.State is RunState.Posting or RunState.Reversing)
            .Select(r => (long?)r.Id)
            .FirstOrDefault();

    /// <summary>Carries out the next accounts of a run; false when it is not at work any more.</summary>
    public bool Next(long id)
    {
        var run = books.Read(c => RunStore.Get(c, id));
        switch (run.State)
        {
            case RunState.Posting when run.Kind == RunKind.Reminders:
                Issue(run);
                return true;
            case RunState.Posting:
                Raise(run);
                return true;
            case RunState.Reversing:
                books.Write(By(run), tx => TakeBack(tx, id, run.Detail));
                return true;
            default:
                return false;
        }
    }

    // What it does is done for whoever asked for it; what that person may was looked at when he or she asked.
    private Actor By(StoredRun run)
    {
        var identity = books.Read(c =>
            c.ExecuteScalar<string>(
                "SELECT identity FROM run_step WHERE run_id = @Id ORDER BY id DESC LIMIT 1",
                new { run.Id }
            )
        );
        return Actor.Program(run.LastBy) with { Identity = identity! };
    }

    // Hardly ever is one refused; then all of them are begun anew, so that one by one can be undone by itself. That costs
    // the database a copy of each page that it changes.
    private void Raise(StoredRun run)
    {
        var by = By(run);
        try
        {
            _reached = (run.Id, books.Write(by, tx => Raise(tx, run.Id, (_, act) => act())));
        }
        catch (RefusedException)
        {
            _reached = (
                run.Id,
                books.Write(by, tx => Raise(tx, run.Id, (line, act) => OneByOne(tx, run.Id, line, act)))
            );
        }
    }

    // Gives the last account that was reached.
    private long Raise(Tx tx, long id, Action<StoredRunLine, Action> each)
    {
        var run = RunStore.Get(tx.Connection, id);
        var after = _reached.Run == id ? _reached.Account : 0;
        if (run.State != RunState.Posting)
            return after;
        for (var round = 0; round < Rounds && (round == 0 || !tx.IsAwaited); round++)
        {
            var lines = RunStore.NextReady(tx.Connection, id, after, Charges);
            Raise(tx, run, lines, each);
            if (lines.Count == Charges)
            {
                after = lines[^1].AccountId;
                continue;
            }

            // Some that were passed may be ready again: somebody looked at what had changed.
            if (RunStore.Ready(tx.Connection, id) == 0)
                Finish(tx, run, RunState.Posted);
            return 0;
        }

        return after;
    }

    private void Raise(Tx tx, StoredRun run, IReadOnlyList<StoredRunLine> lines, Action<StoredRunLine, Action> each)
    {
        var some = Ledgers(tx.Connection, lines, a => tx.Found?.Find(a.Code), chargesOnly: true);
        foreach (var line in lines)
            each(
                line,
                () =>
                {
                    var (account, ledger) = some[line.AccountId];
                    var changes = RunChanges.Of(RunStore.Changes(tx.Connection, run.Id, account));
                    if (!StillSo(tx, run, line, ledger, changes))
                        return;
                    var decision = ChargeDecision.Of(
                        ledger.Items,
                        ledger.Policy,
                        ledger.ChargeTax,
                        run.Date,
                        changes.Charges,
                        tx.Rules()
                    );
                    var posted = LateChargeDesk.Post(tx, account, decision);
                    Posted(tx, run.Id, account.Id, posted.EntryId, null);
                    if (run.Send)
                        sendCharge(tx, posted.EntryId);
                }
            );
    }

    private Dictionary<long, (Account Account, AccountLedger Ledger)> Ledgers(
        SqliteConnection connection,
        IReadOnlyList<StoredRunLine> lines,
        Func<Account, BookAccount?> found,
        bool chargesOnly
    )
    {
        var accounts = AccountStore.ById(connection, [.. lines.Select(l => l.AccountId)]);
        var read = ledgers.Of(connection, accounts, found, chargesOnly);
        return accounts.ToDictionary(a => a.Id, a => (a, read[a.Id]));
    }

    // Letters are made before the transaction that issues them: with the numbers that come next, and anew where somebody
    // took one of these meanwhile.
    private void Issue(StoredRun run)
    {
        var letters = books.Read(connection =>
        {
            var settings = CompanyStore.Settings(connection);
            var rules = Rules.Of(connection, CompanyStore.BusinessDate(settings, books.Clock));
            var number = Numbers.Upcoming(connection)[DocumentSeries.Reminder];
            var made = new List<Letter>();
            var failed = new Dictionary<long, string>();
            var lines = RunStore.Next(connection, run.Id, RunLineState.Ready, Letters);
            var some = Ledgers(connection, lines, _ => null, chargesOnly: false);
            foreach (var line in lines)
            {
                var (account, ledger) = some[line.AccountId];
                var changes = RunChanges.Of(RunStore.Changes(connection, run.Id, account));
                try
                {
                    var decision = ReminderDecision.Of(ledger, run.Date, rules, changes.Reminder);
                    if (!ReminderRun.Of(decision.Proposal, account.Currency).SameAs(line.Line))
                        continue;
                    var name = settings.NumberingOf(DocumentSeries.Reminder).Write(number);
                    var of = ReminderDesk.LetterOf(connection, account, decision.Proposal, name);
                    made.Add(new(line.AccountId, of, reminders.Render(of)));
                    number++;
                }
                catch (RefusedException)
                {
                    // The transaction says why.
                }
                catch (Exception e)
                    when (e is not (OutOfMemoryException or OperationCanceledException or SqliteException))
                {
                    // One letter that cannot be made waits; the others go.
                    failed[line.AccountId] = "The letter could not be made: " + e.Message;
                }
            }

            return (Made: made, Failed: failed);
        });
        books.Write(By(run), tx => Issue(tx, run.Id, letters.Made, letters.Failed));
    }

    private bool Issue(Tx tx, long id, List<Letter> letters, Dictionary<long, string> failed)
    {
        var run = RunStore.Get(tx.Connection, id);
        if (run.State != RunState.Posting)
            return false;
        var lines = RunStore.Next(tx.Connection, id, RunLineState.Ready, Letters);
        var some = Ledgers(tx.Connection, lines, a => tx.Found?.Find(a.Code), chargesOnly: false);
        foreach (var line in lines)
        {
            if (failed.TryGetValue(line.AccountId, out var why))
            {
                RunStore.Mark(tx, id, line.AccountId, RunLineState.Failed, why);
                continue;
            }

            var letter = letters.FirstOrDefault(l => l.AccountId == line.AccountId);
            var taken = letter is not null && Upcoming(tx) != letter.Of.Number;
            // Its number was taken meanwhile: the next round makes it anew.
            if (taken)
                continue;
            OneByOne(
                tx,
                id,
                line,
                () =>
                {
                    var (account, ledger) = some[line.AccountId];
                    var changes = RunChanges.Of(RunStore.Changes(tx.Connection, id, account));
                    if (!StillSo(tx, run, line, ledger, changes))
                        return;
                    var decision = ReminderDecision.Of(ledger, run.Date, tx.Rules(), changes.Reminder);
                    if (letter is null)
                        return;
                    // The address, the language, a text or the letterhead changed meanwhile: the next round makes it again.
                    var now = ReminderDesk.LetterOf(tx.Connection, account, decision.Proposal, letter.Of.Number);
                    if (!now.ReadsAs(letter.Of))
                        return;
                    var number = Numbers.Next(tx, tx.Settings(), DocumentSeries.Reminder);
                    var (_, reminder) = ReminderDesk.Post(tx, account, decision, number, letter.Pdf);
                    Posted(tx, id, account.Id, null, reminder);
                    if (run.Send)
                        sendReminder(tx, number);
                }
            );
        }

        if (lines.Count == 0)
            Finish(tx, run, RunState.Posted);
        return true;
    }

    private static string Upcoming(Tx tx) =>
        tx.Settings()
            .NumberingOf(DocumentSeries.Reminder)
            .Write(Numbers.Upcoming(tx.Connection)[DocumentSeries.Reminder]);

    // What somebody changed since is proposed anew, and waits to be looked at.
    private static bool StillSo(Tx tx, StoredRun run, StoredRunLine line, AccountLedger ledger, RunChanges changes)
    {
        var now = AccountRun.Of(run.Kind, ledger, run.Date, changes, tx.Rules());
        if (now is { LeftOut: null } && now.SameAs(line.Line))
            return true;
        var kept = now ?? RunLine.Nothing(ledger.Currency, run.Kind);
        RunStore.Keep(
            tx,
            run.Id,
            KeptRunLine.Of(
                ledger.Book.Id,
                kept,
                kept.LeftOut is null ? RunLineState.Changed : RunLineState.LeftOut,
                kept.LeftOut ?? $"It came to {line.Line.Amount} when it was proposed; something changed since.",
                tx.Rules()
            )
        );
        return false;
    }

    // One account that cannot be posted does not hold up the others, and leaves nothing behind.
    private static void OneByOne(Tx tx, long id, StoredRunLine line, Action act)
    {
        Run(tx, "SAVEPOINT run_line");
        try
        {
            act();
            Run(tx, "RELEASE run_line");
        }
        catch (RefusedException e)
        {
            Run(tx, "ROLLBACK TO run_line");
            Run(tx, "RELEASE run_line");
            RunStore.Mark(tx, id, line.AccountId, RunLineState.Failed, e.Message);
        }
    }

    private static void Posted(Tx tx, long id, long accountId, long? entry, long? reminder)
    {
        using var row = Prepared.Kept(
            tx.Connection,
            "INSERT INTO run_posting (run_id, account_id, entry_id, reminder_id) VALUES (?1, ?2, ?3, ?4)"
        );
        row.Bind(1, id);
        row.Bind(2, accountId);
        row.Bind(3, entry);
        row.Bind(4, reminder);
        row.Run();
        RunStore.Mark(tx, id, accountId, RunLineState.Posted);
    }

    private static void Run(Tx tx, string sql)
    {
        using var statement = Prepared.Kept(tx.Connection, sql);
        statement.Run();
    }

    private static void Finish(Tx tx, StoredRun run, RunState state)
    {
        var counts = RunStore.Progress(tx.Connection, run.Id);
        RunStore.Step(tx, run.Id, state, send: run.Send);
        Audit.Record(
            tx,
            $"run:{run.Id}",
            state == RunState.Posted ? "posted" : "reversed",
            counts.ToDictionary(c => $"{c.Key}", c => c.Value)
        );
    }

    private static bool TakeBack(Tx tx, long id, string reason)
    {
        var run = RunStore.Get(tx.Connection, id);
        if (run.State != RunState.Reversing)
            return false;
        var lines = RunStore.Next(tx.Connection, id, RunLineState.Posted, Reversals);
        foreach (var line in lines)
            OneByOne(tx, id, line, () => TakeBack(tx, id, line, reason));
        if (lines.Count < Reversals)
        {
            StandAsPosted(tx, id);
            var left = RunStore.Progress(tx.Connection, id).GetValueOrDefault(RunLineState.Posted);
            Finish(tx, run, left == 0 ? RunState.Reversed : RunState.Posted);
        }

        return true;
    }

    /// <summary>What could not be taken back stands as posted, with the reason beside it.</summary>
    internal static void StandAsPosted(Tx tx, long id) =>
        tx.Connection.Execute(
            """
            UPDATE run_account SET state = @Posted WHERE run_id = @id AND state = @Failed
                AND EXISTS (SELECT 1 FROM run_posting p WHERE p.run_id = @id AND p.account_id = run_account.account_id)
            """,
            new
            {
                id,
                RunLineState.Posted,
                RunLineState.Failed,
            }
        );

    /// <summary>
    /// Takes back what the run posted on one account: its items are charged or reminded from their former state.
    /// </summary>
    internal static void TakeBack(Tx tx, long id, StoredRunLine line, string reason)
    {
        var why = $"Run {id}: {reason.Trim()}";
        if (line.Entry is { } entry)
            ReversalDesk.Post(tx, entry, why);
        else
            ReminderDesk.TakeBack(tx, line.Document!, why);
        RunStore.Mark(tx, id, line.AccountId, RunLineState.Reversed);
    }
}
