using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>One line of an account's limit history.</summary>
public sealed record LimitEvent(string Kind, DateOnly From, DateOnly? Until, Money Amount, string Reason, string MadeBy, string MadeAt);

/// <summary>Limits, uplifts and states, each with its history.</summary>
public static class LimitStore
{
    /// <summary>A limit as money.</summary>
    /// <exception cref="RefusedException">Below zero, or more decimals than the currency has.</exception>
    public static Money CheckedLimit(decimal amount, Currency currency, string field = "limit")
    {
        ArgumentNullException.ThrowIfNull(currency);
        if (amount < 0) throw new RefusedException(field, "A limit is zero or above.");
        if (amount != currency.Round(amount)) throw new RefusedException(field, $"Give at most {currency.Decimals} decimals for {currency.Code}.");
        if (amount > 1_000_000_000_000) throw new RefusedException(field, "A limit is at most 1,000,000,000,000.");
        return Money.Exact(amount, currency);
    }

    /// <summary>Sets the standing limit from a day on.</summary>
    public static void Change(Tx tx, Account account, Money amount, DateOnly from, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reasoned(reason);
        NotClosed(tx, from);
        var former = Money.FromMinor(InForce(tx, "limit_change", "amount", account.Id, from) ?? 0, account.Currency);
        Insert(tx, "limit_change", "amount", account.Id, from, amount.Minor, reason);
        Audit.Record(tx, $"account:{account.Code}", "limit", new { before = new { limit = former.ToString() }, after = new { from, limit = amount.ToString() } }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Adds to the limit for a time.</summary>
    /// <exception cref="RefusedException">The end lies before the start, or another uplift holds on some of the days.</exception>
    public static void Uplift(Tx tx, Account account, Money amount, DateOnly from, DateOnly until, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reasoned(reason);
        NotClosed(tx, from);
        if (amount.Minor <= 0) throw new RefusedException("amount", "An uplift is above zero.");
        if (until < from) throw new RefusedException("until", "The uplift ends on or after the day it starts.");
        var other = tx.Connection.QueryFirstOrDefault<(DateOnly From, DateOnly Until)?>(
            "SELECT from_date, until_date FROM uplift WHERE account_id = @Id AND from_date <= @until AND until_date >= @from",
            new { account.Id, from, until });
        if (other is { } o) throw new RefusedException("from", $"Another uplift holds from {Exactly.Day(o.From)} to {Exactly.Day(o.Until)}; choose other days.");
        tx.Connection.Execute(
            """
            INSERT INTO uplift (account_id, from_date, until_date, amount, reason, made_by, made_at)
            VALUES (@Id, @from, @until, @Minor, @reason, @Who, @Now)
            """, new { account.Id, from, until, amount.Minor, reason, tx.Who, tx.Now });
        Audit.Record(tx, $"account:{account.Code}", "uplift", new { from, until, amount = amount.ToString() }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Sets the account's state from a day on.</summary>
    public static void ChangeState(Tx tx, Account account, AccountState state, DateOnly from, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reasoned(reason);
        var former = (AccountState)(InForce(tx, "state_change", "state", account.Id, from) ?? (long)AccountState.Open);
        Insert(tx, "state_change", "state", account.Id, from, (long)state, reason);
        Audit.Record(tx, $"account:{account.Code}", "state", new { before = new { state = former }, after = new { from, state } }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Records an approved order, or how much of one is still to be invoiced.</summary>
    public static void RecordOrder(Tx tx, Account account, string number, DateOnly date, Money notInvoiced)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        tx.Connection.Execute(
            """
            INSERT INTO sales_order (account_id, number, date, not_invoiced) VALUES (@Id, @number, @date, @Minor)
            ON CONFLICT (account_id, number) DO UPDATE SET not_invoiced = excluded.not_invoiced
            """, new { account.Id, number, date, notInvoiced.Minor });
        tx.Touch(account.Id);
    }

    /// <summary>Limits, uplifts and states of an account, latest first.</summary>
    public static IReadOnlyList<LimitEvent> History(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection.Query<(string Kind, DateOnly From, DateOnly? Until, long Amount, string Reason, string MadeBy, string MadeAt)>(
            """
            SELECT 'limit', from_date, NULL, amount, reason, made_by, made_at FROM limit_change WHERE account_id = @Id
            UNION ALL
            SELECT 'uplift', from_date, until_date, amount, reason, made_by, made_at FROM uplift WHERE account_id = @Id
            UNION ALL
            SELECT CASE state WHEN 0 THEN 'open' WHEN 1 THEN 'watch' ELSE 'stop' END, from_date, NULL, 0, reason, made_by, made_at
            FROM state_change WHERE account_id = @Id
            ORDER BY 7 DESC, 2 DESC
            """, new { account.Id })
            .Select(r => new LimitEvent(r.Kind, r.From, r.Until, Money.FromMinor(r.Amount, account.Currency), r.Reason, r.MadeBy, r.MadeAt)).ToList();
    }

    /// <summary>The first limit and state of an account, in force for any day one asks about.</summary>
    internal static void Begin(Tx tx, Account account, Money limit, AccountState state)
    {
        Insert(tx, "limit_change", "amount", account.Id, DateOnly.MinValue, limit.Minor, "first limit");
        if (state != AccountState.Open) Insert(tx, "state_change", "state", account.Id, DateOnly.MinValue, (long)state, "first state");
    }

    internal static void NotClosed(Tx tx, DateOnly day)
    {
        if (CompanyStore.Settings(tx.Connection).ClosedThrough is { } closed && day <= closed)
            throw new RefusedException("from", $"The books are closed through {Exactly.Day(closed)}; choose a later date.");
    }

    private static void Reasoned(string reason)
    {
        if (string.IsNullOrWhiteSpace(reason)) throw new RefusedException("reason", "Give the reason, in a few words.");
    }

    // What holds on a day before it is changed; as in the core, the last recorded among entries of one day.
    private static long? InForce(Tx tx, string table, string column, long accountId, DateOnly day) => tx.Connection.ExecuteScalar<long?>(
        $"SELECT {column} FROM {table} WHERE account_id = @accountId AND from_date <= @day ORDER BY from_date DESC, id DESC LIMIT 1", new { accountId, day });

    private static void Insert(Tx tx, string table, string column, long accountId, DateOnly from, long value, string reason) => tx.Connection.Execute(
        $"INSERT INTO {table} (account_id, from_date, {column}, reason, made_by, made_at) VALUES (@accountId, @from, @value, @reason, @Who, @Now)",
        new { accountId, from, value, reason, tx.Who, tx.Now });
}
