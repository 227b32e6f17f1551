using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>What leads to the figures of one account of a run.</summary>
internal static class RunDetails
{
    internal static RunAccountDetail Of(SqliteConnection connection, long id, Account account, Desk desk)
    {
        var run = RunStore.Get(connection, id);
        var line = RunStore.Line(connection, id, account.Id);
        var changes = RunStore.Changes(connection, id, account);
        var known = RunStore.Items(
            connection,
            [
                .. line
                    .Line.Items.Concat(line.Line.ItemsLeftOut)
                    .Select(i => i.Item)
                    .Concat(changes.Where(c => c.Item is not null).Select(c => c.Item!.Value))
                    .Distinct(),
            ]
        );
        var rules = desk.Rules(connection);
        var ledger = desk.Ledgers.Of(connection, account);
        var decided = RunChanges.Of(changes);
        var (workings, journal, consequences) =
            line.State is RunLineState.Posted or RunLineState.Reversed ? Posted(connection, line)
            : run.Kind == RunKind.LateCharges ? Charges(ledger, run, decided, rules)
            : Reminder(ledger, run, decided, rules);
        var settings = CompanyStore.Settings(connection);
        return new(
            RunAccountView.Of(line, known),
            [
                .. changes.Select(c => new RunChangeView(
                    c.Kind,
                    c.Item is { } item ? known[item].Document : null,
                    c.Amount,
                    c.Level,
                    c.Reason
                )),
            ],
            workings,
            [.. journal.Select(l => JournalLineView.Of(l, settings, account.Profile.ControlGroup))],
            consequences,
            run.Kind == RunKind.Reminders ? ledger.Plan?.Levels.Count ?? 0 : 0
        );
    }

    private static (IReadOnlyList<Working>, IReadOnlyList<JournalLine>, IReadOnlyList<string>) Posted(
        SqliteConnection connection,
        StoredRunLine line
    ) => ([], line.Entry is { } entry ? ReversalDesk.JournalOf(connection, entry, line.Line.Amount.Currency) : [], []);

    private static (IReadOnlyList<Working>, IReadOnlyList<JournalLine>, IReadOnlyList<string>) Charges(
        AccountLedger ledger,
        StoredRun run,
        RunChanges decided,
        BooksRules rules
    )
    {
        if (ledger.Policy is not { } policy)
            return ([], [], []);
        var accrued = AccountCharges.On(ledger.Items, policy, run.Date, rules.Today, rules);
        if (accrued.LeftOut is not null)
            return ([], [], []);
        var inCurrency = policy.In(ledger.Currency, rules.Today, rules.Rates)!;
        var lines = decided.Charges.Of(accrued.Lines);
        var workings = lines
            .SelectMany(l => ChargeWorkings.Of(inCurrency, l, rules.Rounding, l.Item.Document))
            .ToList();
        if (policy.ShownOnly || lines.All(l => l.Total.IsZero))
            return (workings, [], []);
        var posting = LateChargePosting.Of(lines, policy, ledger.ChargeTax, rules);
        if (!posting.Documents[0].Tax.IsZero)
            workings.Add(new("Tax", policy.TaxCode, $"{posting.Documents[0].Tax}"));
        return (workings, posting.Lines, []);
    }

    private static (IReadOnlyList<Working>, IReadOnlyList<JournalLine>, IReadOnlyList<string>) Reminder(
        AccountLedger ledger,
        StoredRun run,
        RunChanges decided,
        BooksRules rules
    )
    {
        var proposal = ReminderProposal.For(ledger, run.Date, rules, decided.Reminder);
        if (proposal.LeftOut is not null)
            return (proposal.Workings(), [], []);
        ReminderDecision decision;
        try
        {
            decision = ReminderDecision.Of(ledger, run.Date, rules, decided.Reminder);
        }
        catch (RefusedException e)
        {
            // It cannot be issued as things stand; the sheet says why.
            return (proposal.Workings(), [], [e.Message]);
        }

        return (
            proposal.Workings(),
            decision.Journal,
            [
                .. decision.SetsState is { } state
                    ? [$"Sets the account to {Fields.Name(state)}."]
                    : Array.Empty<string>(),
                .. decision.Notes.Select(n => char.ToUpperInvariant(n[0]) + n[1..]),
            ]
        );
    }

    /// <summary>The letter of an account, as it was issued or as it would be.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    internal static byte[] Letter(SqliteConnection connection, long id, Account account, bool picture, Desk desk)
    {
        var run = RunStore.Get(connection, id);
        var line = RunStore.Line(connection, id, account.Id);
        if (run.Kind != RunKind.Reminders)
            throw new RefusedException("run", "This run raises late charges; it writes no letters.");
        if (line.Reminder is not null && !picture)
            return ReminderStore.LetterOf(connection, line.Document!);
        var changes = RunChanges.Of(RunStore.Changes(connection, id, account));
        var proposal = ReminderProposal.For(
            desk.Ledgers.Of(connection, account),
            run.Date,
            desk.Rules(connection),
            changes.Reminder
        );
        if (proposal.LeftOut is { } why)
            throw new RefusedException("account", why);
        return picture
            ? LetterPdf.Picture(ReminderDesk.LetterOf(connection, account, proposal, "preview"))
            : desk.Reminders.Letter(connection, account, proposal);
    }
}
