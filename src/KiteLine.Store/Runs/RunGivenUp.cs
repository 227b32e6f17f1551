using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What reversing a run gives up, as a whole and account by account.</summary>
internal static class RunGivenUp
{
    private sealed record Row
    {
        public string Currency { get; init; } = "";
        public long Owed { get; init; }
    }

    /// <summary>Refuses to reverse what gives up more than the authority to write off covers.</summary>
    /// <param name="account">The one account of which it is reversed, or null for all of them. What was reversed of the
    /// run within a month counts with it.</param>
    internal static void RefuseBeyond(Tx tx, long run, long? account, string field)
    {
        var rules = tx.Rules();
        GivenUp.RefuseBeyond(
            Standing(tx.Connection, run, account),
            Back(tx.Connection, run, rules.Today.AddMonths(-1)),
            field,
            tx.Actor.Authority,
            rules
        );
    }

    private static Money[] Standing(SqliteConnection connection, long run, long? account) =>
        Sum(
            connection,
            "(@account IS NULL OR p.account_id = @account) "
                + "AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = p.entry_id)",
            new
            {
                run,
                account,
                customers = JournalLine.OfCustomers,
            }
        );

    private static Money[] Back(SqliteConnection connection, long run, DateOnly since) =>
        Sum(
            connection,
            "EXISTS (SELECT 1 FROM entry x WHERE x.reverses = p.entry_id AND x.posting_date > @since)",
            new
            {
                run,
                since,
                customers = JournalLine.OfCustomers,
            }
        );

    // What customers owe by the entries of a run, its fees and charges of reminders among them; what lowered it, such as a
    // correction, is taken off no other account's.
    private static Money[] Sum(SqliteConnection connection, string which, object parameters) =>
        [
            .. connection
                .Query<Row>(
                    $"""
                    WITH posted AS (
                        SELECT account_id, entry_id FROM run_posting WHERE run_id = @run AND entry_id IS NOT NULL
                        UNION ALL SELECT p.account_id, e.id FROM run_posting p JOIN reminder r ON r.id = p.reminder_id
                            JOIN entry e ON e.id IN (r.entry_id, r.charge_entry_id) WHERE p.run_id = @run),
                    owed AS (
                        SELECT p.account_id, p.entry_id, sum(j.amount) amount FROM posted p
                            JOIN journal_line j ON j.entry_id = p.entry_id AND j.purpose IN @customers
                        WHERE {which} GROUP BY p.account_id, p.entry_id)
                    SELECT a.currency, sum(o.amount) owed FROM owed o JOIN account a ON a.id = o.account_id
                    WHERE o.amount > 0 GROUP BY a.currency
                    """,
                    parameters
                )
                .Select(r => Money.FromMinor(r.Owed, Currency.Of(r.Currency))),
        ];
}
