using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>A reminder that was issued.</summary>
public sealed record IssuedReminder
{
    public long Id { get; init; }
    public string Number { get; init; } = "";
    public long Level { get; init; }
    public DateOnly Date { get; init; }
    public DateOnly PayBy { get; init; }
    public long Fee { get; init; }
    public long FeePosted { get; init; }
    public long LateCharge { get; init; }
    public long Total { get; init; }
    public long? EntryId { get; init; }
    public string IssuedBy { get; init; } = "";

    /// <summary>Why it was cancelled, or null while it stands.</summary>
    public string? Cancelled { get; init; }
}

/// <summary>A mark on an item's life: a reminder that covered it.</summary>
public sealed record ReminderMark(long ItemId, long Level, DateOnly Date, string Number);

/// <summary>Proposes, issues and cancels reminders.</summary>
/// <param name="charges">Raises the late charges of levels that post them.</param>
/// <param name="render">Makes the letter's PDF.</param>
public sealed class ReminderDesk(ItemStore items, LateChargeDesk charges, Func<ReminderLetter, byte[]> render)
{
    /// <summary>The account's next reminder on a day, or why there is none.</summary>
    public ReminderProposal Propose(SqliteConnection connection, Account account, DateOnly date)
    {
        ArgumentNullException.ThrowIfNull(account);
        var plan = PolicyStore.Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)?.Definition;
        return ReminderProposal.For(items.Items(connection, account), plan, PolicyStore.LateCharge(connection, account.LateChargePolicy), account.Currency, date,
            CompanyStore.Settings(connection).Rounding);
    }

    /// <summary>The letter of a proposal as it would print.</summary>
    public byte[] Preview(SqliteConnection connection, Account account, ReminderProposal proposal) =>
        render(Letter(connection, account, proposal, "preview"));

    /// <summary>Issues the next reminder: numbered letter, fee, the items' new level, and the state its level sets.</summary>
    /// <exception cref="RefusedException">There is none to issue; says why.</exception>
    public Effect<IssuedReminder> Issue(Tx tx, string code, DateOnly date, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        var plan = PolicyStore.Find<ReminderPlan>(tx.Connection, PolicyKind.ReminderPlan, account.ReminderPlan);
        var proposal = Propose(tx.Connection, account, date);
        if (proposal.LeftOut is { } why) throw new RefusedException("account", why);
        var level = plan!.Definition.Levels[proposal.Level - 1];

        return Effect.Around<IssuedReminder>(tx, account, date, () =>
        {
            var number = Numbers.Next(tx, CompanyStore.Settings(tx.Connection), DocumentSeries.Reminder);
            var posts = level.FeeTreatment == Treatment.Post && !proposal.Fee.IsZero;
            var posting = posts ? ReminderFeePosting.Of(proposal.Fee, proposal.Level, date, proposal.PayBy!.Value) : null;
            var letter = render(Letter(tx.Connection, account, proposal, number));
            var posted = posting is null ? null : PostingStore.Post(tx, account, posting, key: key);
            var raised = RaiseCharge(tx, account, level, proposal, date);
            var id = tx.Connection.ExecuteScalar<long>(
                """
                INSERT INTO reminder (account_id, number, level, date, pay_by, fee, fee_posted, late_charge, total, plan_id, entry_id, letter, delivery, charge_entry_id, issued_by, issued_at)
                VALUES (@AccountId, @number, @Level, @date, @PayBy, @Fee, @posts, @LateCharge, @Total, @PlanId, @EntryId, @letter, @delivery, @ChargeEntryId, @Who, @Now) RETURNING id
                """,
                new
                {
                    AccountId = account.Id,
                    number,
                    proposal.Level,
                    date,
                    proposal.PayBy,
                    Fee = proposal.Fee.Minor,
                    posts,
                    LateCharge = proposal.LateCharge.Minor,
                    Total = proposal.Total.Minor,
                    PlanId = plan.Id,
                    posted?.EntryId,
                    letter,
                    delivery = level.Delivery ?? account.Profile.Delivery,
                    ChargeEntryId = raised?.EntryId,
                    tx.Who,
                    tx.Now,
                });
            foreach (var line in proposal.Items)
            {
                tx.Connection.Execute("INSERT INTO reminder_item VALUES (@id, @ItemId, @Level, @Moves, @Minor)",
                    new { id, ItemId = line.Item.Id, line.Level, line.Moves, line.Open.Minor });
                Project(tx, line.Item.Id);
            }

            if (level.SetsState is { } state && state != StateOn(tx.Connection, account, date))
                LimitStore.ChangeState(tx, account, state, date, $"Reminder {number}, level {proposal.Level}");
            NoteConsequences(tx, account, level, number, date);
            Audit.Record(tx, $"account:{code}", "reminder", new { number, proposal.Level, total = proposal.Total.ToString() });
            tx.Touch(account.Id);
            return (posted, [.. posting?.Lines ?? [], .. raised?.Journal ?? []], Issued(tx.Connection, account).First(r => r.Id == id));
        });
    }

    /// <summary>Cancels a reminder: its fee is reversed and its items fall back a level.</summary>
    public static Effect<string> Cancel(Tx tx, string number, DateOnly businessDate, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (string.IsNullOrWhiteSpace(reason)) throw new RefusedException("reason", "Give the reason, in a few words.");
        var (id, accountId, entryId, chargeId) = tx.Connection.QuerySingleOrDefault<(long Id, long AccountId, long? EntryId, long? ChargeId)?>(
            "SELECT id, account_id, entry_id, charge_entry_id FROM reminder WHERE number = @number", new { number }) ?? throw new NotThereException("reminder", number);
        if (tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM reminder_cancelled WHERE reminder_id = @id", new { id }) > 0)
            throw new RefusedException("number", $"Reminder {number} was cancelled already.");
        var later = tx.Connection.QueryFirstOrDefault<string>(
            """
            SELECT r.number FROM reminder r WHERE r.account_id = @accountId AND r.id > @id
            AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id) LIMIT 1
            """, new { accountId, id });
        if (later is not null) throw new RefusedException("number", $"Reminder {later} was issued later; cancel that first.");

        var account = tx.Connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @accountId", new { accountId });
        return Effect.Around(tx, account, businessDate, () =>
        {
            tx.Connection.Execute("INSERT INTO reminder_cancelled VALUES (@id, @reason, @Who, @Now)", new { id, reason, tx.Who, tx.Now });
            var journal = new List<JournalLine>();
            foreach (var entry in new[] { entryId, chargeId }.OfType<long>())
            {
                // What was reversed by hand before stands reversed.
                if (tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM entry WHERE reverses = @entry", new { entry }) > 0) continue;
                journal.AddRange(ReversalDesk.Reverse(tx, entry, businessDate, $"Reminder {number} cancelled: {reason.Trim()}").Journal);
            }

            foreach (var itemId in tx.Connection.Query<long>("SELECT item_id FROM reminder_item WHERE reminder_id = @id", new { id })) Project(tx, itemId);
            Audit.Record(tx, $"account:{account.Code}", "reminder cancelled", new { number }, reason);
            tx.Touch(accountId);
            return ((Posted?)null, journal, number);
        });
    }

    /// <summary>The account's reminders, latest first.</summary>
    public static IReadOnlyList<IssuedReminder> Issued(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection.Query<IssuedReminder>(
            """
            SELECT r.id, r.number, r.level, r.date, r.pay_by, r.fee, r.fee_posted, r.late_charge, r.total, r.entry_id, r.issued_by, c.reason cancelled
            FROM reminder r LEFT JOIN reminder_cancelled c ON c.reminder_id = r.id WHERE r.account_id = @Id ORDER BY r.id DESC
            """, new { account.Id }).AsList();
    }

    /// <summary>The reminders that stand, item by item.</summary>
    public static IReadOnlyList<ReminderMark> Marks(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection.Query<(long ItemId, long Level, string Date, string Number)>(
            """
            SELECT ri.item_id, ri.level, r.date, r.number FROM reminder r JOIN reminder_item ri ON ri.reminder_id = r.id
            WHERE r.account_id = @Id AND ri.moves AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
            ORDER BY r.id
            """, new { account.Id }).Select(r => new ReminderMark(r.ItemId, r.Level, Columns.Date(r.Date), r.Number)).ToList();
    }

    /// <summary>Fees that letters demanded without posting, while an item of the letter is still open.</summary>
    public static IReadOnlyList<UnpostedFee> UnpostedFees(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection.Query<(string Number, string Date, long Fee)>(
            """
            SELECT r.number, r.date, r.fee FROM reminder r
            WHERE r.account_id = @Id AND r.fee > 0 AND NOT r.fee_posted
              AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
              AND EXISTS (SELECT 1 FROM reminder_item ri JOIN item i ON i.id = ri.item_id WHERE ri.reminder_id = r.id AND i.open > 0)
            """, new { account.Id }).Select(r => new UnpostedFee(r.Number, Columns.Date(r.Date), Money.FromMinor(r.Fee, account.Currency))).ToList();
    }

    /// <summary>The PDF that was issued.</summary>
    public static byte[] LetterOf(SqliteConnection connection, string number) =>
        connection.ExecuteScalar<byte[]>("SELECT letter FROM reminder WHERE number = @number", new { number }) ?? throw new NotThereException("reminder", number);

    private static AccountState StateOn(SqliteConnection connection, Account account, DateOnly date) =>
        StateChange.On(BookLoader.Load(connection, [account.Id])[0].States, date);

    private static ReminderLetter Letter(SqliteConnection connection, Account account, ReminderProposal proposal, string number)
    {
        var settings = CompanyStore.Settings(connection);
        var plan = PolicyStore.Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)!.Definition;
        var label = PolicyStore.LateCharge(connection, account.LateChargePolicy)?.Label ?? "Late charge";
        return new(number, settings.Name, settings.Address, account.Code, account.Name,
            account.Address.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries), proposal,
            plan.Levels[proposal.Level - 1].TextFor(account.Profile.Language), label, settings.LetterFoot);
    }

    // Only the items of the letter are charged; the others accrue on.
    private Effect<IReadOnlyList<ItemCharge>>? RaiseCharge(Tx tx, Account account, ReminderLevel level, ReminderProposal proposal, DateOnly date)
    {
        if (level.LateCharge != Treatment.Post || proposal.LateCharge.IsZero) return null;
        if (PolicyStore.LateCharge(tx.Connection, account.LateChargePolicy) is not { ShownOnly: false }) return null;
        var covered = proposal.Items.Select(i => i.Item.Id).ToHashSet();
        var others = charges.Accrued(tx.Connection, account, date).Select(c => c.Item.Id).Where(id => !covered.Contains(id)).ToList();
        return charges.Raise(tx, account.Code, date, date, others);
    }

    private static void NoteConsequences(Tx tx, Account account, ReminderLevel level, string number, DateOnly date)
    {
        if (level.AskColleague.Length > 0) ContactLog.Add(tx, account, ContactKind.Note, date, "", $"Reminder {number} was issued: ask {level.AskColleague} before anything further is done.", date);
        if (level.HandToCollection) ContactLog.Add(tx, account, ContactKind.Note, date, "", $"Reminder {number} was issued: hand the account to collection if it is not paid in time.", date);
    }

    /// <summary>An item's level and date from the reminders that stand.</summary>
    private static void Project(Tx tx, long itemId) => tx.Connection.Execute(
        """
        UPDATE item SET (reminder_level, reminders, reminded_on) = (
            SELECT coalesce(max(ri.level), 0), count(*), max(r.date) FROM reminder_item ri JOIN reminder r ON r.id = ri.reminder_id
            WHERE ri.item_id = @itemId AND ri.moves AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id))
        WHERE id = @itemId
        """, new { itemId });
}
