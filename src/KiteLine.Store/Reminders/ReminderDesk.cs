using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Proposes, issues and cancels reminders.</summary>
/// <param name="render">Makes the letter's PDF.</param>
public sealed class ReminderDesk(AccountLedgers ledgers, Func<ReminderLetter, byte[]> render)
{
    /// <summary>The account's next reminder on a day, or why there is none.</summary>
    public ReminderProposal Propose(SqliteConnection connection, Account account, DateOnly date, BooksRules rules) =>
        ReminderProposal.For(ledgers.Of(connection, account), date, rules);

    /// <summary>The letter of a proposal as it would print.</summary>
    public byte[] Letter(SqliteConnection connection, Account account, ReminderProposal proposal) =>
        Render(connection, account, proposal, "preview");

    /// <summary>The PDF of a letter.</summary>
    internal byte[] Render(ReminderLetter letter) => render(letter);

    private byte[] Render(SqliteConnection connection, Account account, ReminderProposal proposal, string number) =>
        render(LetterOf(connection, account, proposal, number));

    /// <summary>What issuing the next reminder would do.</summary>
    /// <exception cref="RefusedException">There is none to issue; says why.</exception>
    public Effect<string> Preview(SqliteConnection connection, string code, DateOnly date, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, code);
        var decision = Decide(connection, account, date, rules);
        var postings = new[] { decision.Fee, decision.Charge?.Posting }.OfType<Posting>().ToArray();
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            decision.Journal,
            "",
            book =>
            {
                var after = postings.Aggregate(book, (b, p) => b.After(p));
                return decision.SetsState is { } state
                    ? after with
                    {
                        States = [.. after.States, new(date, state)],
                    }
                    : after;
            }
        );
    }

    /// <summary>
    /// Issues the next reminder: numbered letter, fee, the items' new level, and the state its level sets.
    /// </summary>
    /// <param name="made">Its letter where it was made beforehand; see <see cref="Make"/>.</param>
    public Effect<IssuedReminder> Issue(Tx tx, string code, DateOnly date, MadeLetter? made = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var (posted, decision, number) = Post(tx, account, date, made);
                return (
                    posted,
                    decision.Journal,
                    ReminderStore.Issued(tx.Connection, account).First(r => r.Number == number)
                );
            }
        );
    }

    /// <summary>
    /// Makes the letter of the next reminder before the transaction that issues it, with the number that comes next, so
    /// that nobody waits for it to be drawn; null where there is none to issue.
    /// </summary>
    public MadeLetter? Make(SqliteConnection connection, string code, DateOnly date, BooksRules rules)
    {
        try
        {
            var account = AccountStore.Get(connection, code);
            var proposal = Decide(connection, account, date, rules).Proposal;
            var number = CompanyStore
                .Settings(connection)
                .NumberingOf(DocumentSeries.Reminder)
                .Write(Numbers.Upcoming(connection)[DocumentSeries.Reminder]);
            return new(CompanyStore.Changes(connection), date, number, Render(connection, account, proposal, number));
        }
        catch (RefusedException)
        {
            // Whoever issues it is told, where it was not issued by the same request before.
            return null;
        }
    }

    /// <summary>Issues the next reminder.</summary>
    public (Posted? Posted, ReminderDecision Decision, string Number) Post(
        Tx tx,
        Account account,
        DateOnly date,
        MadeLetter? made = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var decision = Decide(tx.Connection, account, date, tx.Rules());
        var number = Numbers.Next(tx, tx.Settings(), DocumentSeries.Reminder);
        var letter =
            made is not null && made.HoldsFor(CompanyStore.Changes(tx.Connection), date, number)
                ? made.Pdf
                : Render(tx.Connection, account, decision.Proposal, number);
        var (posted, _) = Post(tx, account, decision, number, letter);
        return (posted, decision, number);
    }

    /// <summary>Issues a reminder that was decided on in this transaction, with the letter that was made for it.</summary>
    /// <param name="number">The next of its series, which was taken.</param>
    internal static (Posted? Posted, long Id) Post(
        Tx tx,
        Account account,
        ReminderDecision decision,
        string number,
        byte[] letter
    )
    {
        var (proposal, level, date) = (decision.Proposal, decision.Level, decision.Proposal.Date);
        var plan = PolicyStore.Find<ReminderPlan>(tx.Connection, PolicyKind.ReminderPlan, account.ReminderPlan)!;
        var posted = decision.Fee is { } fee ? PostingStore.Post(tx, account, fee) : null;
        var raised = decision.Charge is { } charge ? LateChargeDesk.Post(tx, account, charge) : null;
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO reminder (account_id, number, level, date, pay_by, fee, earlier_fees, replaces, fee_posted,
                late_charge, total, plan_id, entry_id, letter, delivery, charge_entry_id, issued_by, issued_at)
            VALUES (@AccountId, @number, @Level, @date, @PayBy, @Fee, @EarlierFees, @replaces, @posts, @LateCharge,
                @Total, @PlanId, @EntryId, @letter, @delivery, @ChargeEntryId, @Who, @Now) RETURNING id
            """,
            new
            {
                AccountId = account.Id,
                number,
                proposal.Level,
                date,
                proposal.PayBy,
                Fee = proposal.OwnFee.Minor,
                EarlierFees = proposal.EarlierFees.Minor,
                replaces = !level.AddEarlierFees,
                posts = decision.Fee is not null,
                LateCharge = proposal.LateCharge.Minor,
                Total = proposal.Total.Minor,
                PlanId = plan.Id,
                posted?.EntryId,
                letter,
                delivery = level.Delivery ?? account.Profile.Delivery,
                ChargeEntryId = raised?.EntryId,
                tx.Who,
                tx.Now,
            }
        );
        DocumentPapers.KeepReminder(tx, account, id);
        foreach (var line in proposal.Items)
        {
            tx.Connection.Execute(
                "INSERT INTO reminder_item (reminder_id, item_id, level, moves, open, late_charge) VALUES (@id, @ItemId, "
                    + "@Level, @Moves, @Minor, @LateCharge)",
                new
                {
                    id,
                    ItemId = line.Item.Id,
                    line.Level,
                    line.Moves,
                    line.Open.Minor,
                    LateCharge = line.LateCharge.Minor,
                }
            );
            ReminderStore.Project(tx, line.Item.Id);
        }

        if (decision.SetsState is { } state)
            LimitStore.ChangeState(tx, account, state, date, $"Reminder {number}, level {proposal.Level}");
        foreach (var note in decision.Notes)
            ContactLog.Add(
                tx,
                account,
                ContactKind.Note,
                date,
                "",
                $"Reminder {number} was issued: {note}",
                tx.BusinessDate()
            );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "reminder",
            new
            {
                number,
                proposal.Level,
                total = proposal.Total.ToString(),
            }
        );
        tx.Touch(account.Id);
        return (posted, id);
    }

    /// <summary>What cancelling a reminder would do.</summary>
    /// <exception cref="RefusedException">No reason; it was cancelled already, or a later one stands.</exception>
    public static Effect<string> PreviewCancel(
        SqliteConnection connection,
        string number,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var (account, _, entries) = Cancellable(connection, number, reason);
        var reversals = entries
            .Select(e => (Entry: e, Reversal: ReversalDesk.Decide(connection, e, reason, rules)))
            .ToArray();
        GivenUp.RefuseBeyond([.. reversals.Select(r => r.Reversal.GivesUp)], [], "entry", authority, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            [.. reversals.SelectMany(r => r.Reversal.Posting.Lines)],
            number,
            book => reversals.Aggregate(book, (b, r) => b.After(r.Reversal.Posting, r.Entry))
        );
    }

    /// <summary>Cancels a reminder: its fee and its charge are reversed and its items fall back a level.</summary>
    /// <exception cref="RefusedException">What it posted lies above the authority to write off.</exception>
    public static Effect<string> Cancel(Tx tx, string number, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var rules = tx.Rules();
        GivenUp.RefuseBeyond(
            [
                .. Cancellable(tx.Connection, number, reason)
                    .Entries.Select(e => ReversalDesk.Decide(tx.Connection, e, reason, rules).GivesUp),
            ],
            [],
            "entry",
            tx.Actor.Authority,
            rules
        );
        return TakeBack(tx, number, reason);
    }

    /// <summary>The same; what it gives up was measured before.</summary>
    internal static Effect<string> TakeBack(Tx tx, string number, string reason)
    {
        var (account, id, entries) = Cancellable(tx.Connection, number, reason);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                tx.Connection.Execute(
                    "INSERT INTO reminder_cancelled VALUES (@id, @reason, @Who, @Now)",
                    new
                    {
                        id,
                        reason,
                        tx.Who,
                        tx.Now,
                    }
                );
                var journal = new List<JournalLine>();
                foreach (var entry in entries)
                    journal.AddRange(
                        ReversalDesk.Post(tx, entry, $"Reminder {number} cancelled: {reason.Trim()}").Posting.Lines
                    );
                foreach (
                    var itemId in tx.Connection.Query<long>(
                        "SELECT item_id FROM reminder_item WHERE reminder_id = @id",
                        new { id }
                    )
                )
                    ReminderStore.Project(tx, itemId);
                OutboxStore.TakenBack(tx, account.Id, null, id);
                Audit.Record(tx, $"account:{account.Code}", "reminder cancelled", new { number }, reason);
                tx.Touch(account.Id);
                return ((Posted?)null, journal, number);
            }
        );
    }

    private ReminderDecision Decide(SqliteConnection connection, Account account, DateOnly date, BooksRules rules) =>
        ReminderDecision.Of(ledgers.Of(connection, account), date, rules);

    // The account, the reminder, and what of its postings still stands; what was reversed by hand before stays
    // reversed.
    private static (Account Account, long Id, IReadOnlyList<long> Entries) Cancellable(
        SqliteConnection connection,
        string number,
        string reason
    )
    {
        var (id, accountId, cancelled, later, paidBy) =
            connection.QuerySingleOrDefault<(long Id, long AccountId, long Cancelled, string? Later, string? PaidBy)?>(
                """
                SELECT r.id, r.account_id, EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id),
                       (SELECT l.number FROM reminder l WHERE l.account_id = r.account_id AND l.id > r.id
                        AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = l.id) LIMIT 1),
                       (SELECT d.number FROM letter_paid p JOIN document d ON d.account_id = r.account_id
                            AND d.entry_id = p.entry_id
                        WHERE p.reminder_id = r.id
                            AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = p.entry_id) LIMIT 1)
                FROM reminder r WHERE r.number = @number
                """,
                new { number }
            ) ?? throw new NotThereException("reminder", number);
        ReminderDecision.RefuseUnlessCancellable(number, cancelled == 1, later, paidBy, reason);
        var entries = connection
            .Query<long>(
                """
                SELECT e.id FROM reminder r JOIN entry e ON e.id IN (r.entry_id, r.charge_entry_id)
                WHERE r.id = @id AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = e.id) ORDER BY e.id
                """,
                new { id }
            )
            .AsList();
        return (
            connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @accountId", new { accountId }),
            id,
            entries
        );
    }

    /// <summary>Everything that the letter of a proposal is made of.</summary>
    public static ReminderLetter LetterOf(
        SqliteConnection connection,
        Account account,
        ReminderProposal proposal,
        string number
    )
    {
        var plan = PolicyStore
            .Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)!
            .Definition;
        var label = PolicyStore.LateCharge(connection, account.LateChargePolicy)?.Label ?? "Late charge";
        return new(
            number,
            Paper.Of(connection),
            Paper.To(account),
            proposal,
            plan.Levels[proposal.Level - 1].TextFor(account.Profile.Language),
            label,
            CreditorReference.ForDocument(number)
        );
    }
}
