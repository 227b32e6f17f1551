using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Limits, uplifts and states, each with its history.</summary>
public static class LimitStore
{
    /// <summary>
    /// Sets the standing limit of an account from a day on, by the authority of the program itself or of a batch that
    /// checked it.
    /// </summary>
    public static void Change(Tx tx, Account account, Money amount, DateOnly from, string reason) =>
        Propose(tx, account, new(amount.Minor, from, null, reason), "value");

    /// <summary>Adds to the limit of an account for a time; as <see cref="Change"/>.</summary>
    public static void Uplift(Tx tx, Account account, Money amount, DateOnly from, DateOnly until, string reason) =>
        Propose(tx, account, new(amount.Minor, from, until, reason), "amount");

    /// <summary>Ends an uplift before its last day: from the business date on it does not hold.</summary>
    /// <exception cref="RefusedException">No reason, or it has ended already.</exception>
    public static void EndUplift(Tx tx, LimitHolder holder, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(holder);
        Reason.Needed(reason);
        var today = tx.BusinessDate();
        var uplift =
            tx.Connection.QuerySingleOrDefault<(DateOnly From, DateOnly Until, long Amount, string? Ended)?>(
                $"SELECT from_date, until_date, amount, (SELECT on_date FROM uplift_end e WHERE e.uplift_id = u.id) "
                    + $"FROM uplift u WHERE id = @id AND {holder.Mine}",
                new
                {
                    id,
                    holder.AccountId,
                    holder.GroupId,
                }
            ) ?? throw new NotThereException("uplift", $"{id}");
        if (uplift.Ended is not null || uplift.Until < today)
            throw new RefusedException("uplift", "This uplift has ended already.");
        tx.Connection.Execute(
            "INSERT INTO uplift_end VALUES (@id, @today, @reason, @Who, @Now)",
            new
            {
                id,
                today,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            holder.Subject,
            "uplift ended",
            new
            {
                amount = Money.FromMinor(uplift.Amount, holder.Currency).ToString(),
                uplift.From,
                uplift.Until,
                ended = today,
            },
            reason
        );
        Touch(tx, holder);
    }

    /// <summary>Refuses what is wrong with a limit or uplift, before anybody's authority is asked.</summary>
    /// <exception cref="RefusedException">Names the field.</exception>
    internal static void Check(Tx tx, LimitHolder holder, LimitProposal p) =>
        LimitDecision.RefuseUnlessSound(p, LimitRows.LimitsOf(tx.Connection, holder).Uplifts, tx.Rules());

    /// <summary>Writes a limit or uplift that was checked and approved.</summary>
    internal static void Set(Tx tx, LimitHolder holder, LimitProposal p)
    {
        var today = tx.BusinessDate();
        if (p.IsUplift)
        {
            tx.Connection.Execute(
                """
                INSERT INTO uplift (account_id, group_id, from_date, until_date, amount, recorded_on, reason, made_by,
                    made_at)
                VALUES (@AccountId, @GroupId, @From, @Until, @Amount, @today, @Reason, @Who, @Now)
                """,
                new
                {
                    holder.AccountId,
                    holder.GroupId,
                    p.From,
                    p.Until,
                    p.Amount,
                    today,
                    p.Reason,
                    tx.Who,
                    tx.Now,
                }
            );
            Audit.Record(tx, holder.Subject, "uplift", LimitDesk.Facts(holder, p), p.Reason);
        }
        else
        {
            var former = Money.FromMinor(Standing(tx.Connection, holder, p.From, today).Standing, holder.Currency);
            Insert(tx, holder, p, today);
            Audit.Record(
                tx,
                holder.Subject,
                "limit",
                new { before = new { amount = former.ToString() }, after = LimitDesk.Facts(holder, p) },
                p.Reason
            );
        }

        Touch(tx, holder);
    }

    /// <summary>Which limit stands on a day, by what is known on another.</summary>
    internal static LimitStanding Standing(
        SqliteConnection connection,
        LimitHolder holder,
        DateOnly day,
        DateOnly known
    )
    {
        var (limits, uplifts) = LimitRows.LimitsOf(connection, holder);
        return LimitStanding.On(limits, uplifts, day, known);
    }

    /// <summary>
    /// The effective limit of the business date by which what it bounds is measured: what was lowered on the day itself still
    /// counts.
    /// </summary>
    internal static Money Highest(Tx tx, LimitHolder holder)
    {
        var today = tx.BusinessDate();
        long Known(DateOnly day) => Standing(tx.Connection, holder, today, day).Effective;
        return Money.FromMinor(Math.Max(Known(today), Known(today.AddDays(-1))), holder.Currency);
    }

    private static void Propose(Tx tx, Account account, LimitProposal proposal, string field)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var holder = LimitHolder.Of(account);
        Check(tx, holder, proposal);
        if (LimitDesk.Exceeds(tx, holder, proposal) is { } resulting)
            throw new RefusedException(
                field,
                $"A limit of {resulting} {account.Currency.Code} lies above your authority; ask for it on the account itself."
            );
        Set(tx, holder, proposal);
    }

    /// <summary>Sets the account's state from a day on.</summary>
    public static void ChangeState(Tx tx, Account account, AccountState state, DateOnly from, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reason.Needed(reason);
        // What holds on that day before it is changed; as in the core, the last recorded among entries of one day.
        var former = (AccountState)
            tx.Connection.ExecuteScalar<long>(
                "SELECT coalesce((SELECT state FROM state_change WHERE account_id = @Id AND from_date <= @from ORDER "
                    + "BY from_date DESC, id DESC LIMIT 1), 0)",
                new { account.Id, from }
            );
        if (former == AccountState.Stop && state != AccountState.Stop)
            RelaxedChecks.RefuseLifting(account.Profile.Responses.OnStop, tx.Actor.Authority, "state");
        InsertState(tx, account.Id, from, state, reason);
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "state",
            new { before = new { state = former }, after = new { from, state } },
            reason
        );
        tx.Touch(account.Id);
    }

    /// <summary>Limits, uplifts and states of an account or group, latest first.</summary>
    public static IReadOnlyList<LimitEvent> History(SqliteConnection connection, LimitHolder holder)
    {
        ArgumentNullException.ThrowIfNull(holder);
        return connection
            .Query<EventRow>(
                $"""
                SELECT 0 kind, from_date, NULL until_date, amount, source, insured, security, security_amount,
                    review_on, reason, made_by, made_at, NULL id
                FROM limit_change WHERE {holder.Mine}
                UNION ALL
                SELECT 1, from_date, coalesce(date(e.on_date, '-1 day'), until_date), amount, 0, 0, '', 0, NULL,
                       u.reason || CASE WHEN e.reason IS NULL THEN '' ELSE '; ended: ' || e.reason END,
                       u.made_by, u.made_at, CASE WHEN e.uplift_id IS NULL THEN u.id END
                FROM uplift u LEFT JOIN uplift_end e ON e.uplift_id = u.id WHERE {holder.Mine}
                UNION ALL
                SELECT 2 + state, from_date, NULL, 0, 0, 0, '',
                    0, NULL, reason, made_by, made_at, NULL
                FROM state_change WHERE account_id = @AccountId
                ORDER BY 12 DESC, 2 DESC
                """,
                new { holder.AccountId, holder.GroupId }
            )
            .Select(r => new LimitEvent(
                (LimitEventKind)r.Kind,
                r.FromDate,
                r.UntilDate,
                Money.FromMinor(r.Amount, holder.Currency),
                (LimitSource)r.Source,
                Money.FromMinor(r.Insured, holder.Currency),
                r.Security,
                Money.FromMinor(r.SecurityAmount, holder.Currency),
                r.ReviewOn,
                r.Reason,
                r.MadeBy,
                r.MadeAt,
                r.Id
            ))
            .ToList();
    }

    /// <summary>The first limit and state of an account, in force for any day one asks about.</summary>
    internal static void Begin(Tx tx, Account account, Money limit, AccountState state)
    {
        Insert(
            tx,
            LimitHolder.Of(account),
            new(limit.Minor, DateOnly.MinValue, null, "first limit"),
            DateOnly.MinValue
        );
        if (state != AccountState.Open)
            InsertState(tx, account.Id, DateOnly.MinValue, state, "first state");
    }

    private sealed record EventRow
    {
        public long Kind { get; init; }
        public DateOnly FromDate { get; init; }
        public DateOnly? UntilDate { get; init; }
        public long Amount { get; init; }
        public long Source { get; init; }
        public long Insured { get; init; }
        public string Security { get; init; } = "";
        public long SecurityAmount { get; init; }
        public DateOnly? ReviewOn { get; init; }
        public string Reason { get; init; } = "";
        public string MadeBy { get; init; } = "";
        public string MadeAt { get; init; } = "";
        public long? Id { get; init; }
    }

    private static void Touch(Tx tx, LimitHolder holder)
    {
        if (holder.AccountId is { } id)
            tx.Touch(id);
        else
            tx.TouchGroups();
    }

    private static void Insert(Tx tx, LimitHolder holder, LimitProposal p, DateOnly recorded) =>
        tx.Connection.Execute(
            """
            INSERT INTO limit_change (account_id, group_id, from_date, amount, source, insured, security,
                security_amount, review_on, recorded_on, reason, made_by, made_at)
            VALUES (@AccountId, @GroupId, @From, @Amount, @Source, @Insured, @Security, @SecurityAmount, @ReviewOn,
                @recorded, @Reason, @Who, @Now)
            """,
            new
            {
                holder.AccountId,
                holder.GroupId,
                p.From,
                p.Amount,
                p.Source,
                p.Insured,
                p.Security,
                p.SecurityAmount,
                p.ReviewOn,
                recorded,
                p.Reason,
                tx.Who,
                tx.Now,
            }
        );

    private static void InsertState(Tx tx, long accountId, DateOnly from, AccountState state, string reason) =>
        tx.Connection.Execute(
            "INSERT INTO state_change (account_id, from_date, state, reason, made_by, made_at) VALUES (@accountId, "
                + "@from, @state, @reason, @Who, @Now)",
            new
            {
                accountId,
                from,
                state,
                reason,
                tx.Who,
                tx.Now,
            }
        );
}
