using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>When customers are to be called again.</summary>
public static class CallStore
{
    /// <summary>Has a customer called again on a day, in place of a day that was set before.</summary>
    /// <exception cref="RefusedException">See <see cref="CallAgain.RefuseUnlessSound"/>.</exception>
    public static void Again(Tx tx, Account account, DateOnly on, string note)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        CallAgain.RefuseUnlessSound(on, note, tx.BusinessDate());
        Insert(tx, account, on, note.Trim());
        Audit.Record(tx, $"account:{account.Code}", "to be called again", new { on }, note);
    }

    /// <summary>A customer was called: a day that was set before is done with.</summary>
    public static void Called(Tx tx, Account account)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        if (Load(tx.Connection, " AND c.account_id = " + account.Id).ContainsKey(account.Id))
            Insert(tx, account, null, "");
    }

    private static void Insert(Tx tx, Account account, DateOnly? on, string note)
    {
        tx.Connection.Execute(
            "INSERT INTO call_again (account_id, on_date, note, made_by, made_at) VALUES (@Id, @on, @note, @Who, @Now)",
            new
            {
                account.Id,
                on,
                note,
                tx.Who,
                tx.Now,
            }
        );
        tx.Touch(account.Id);
    }

    /// <summary>Those that hold, by account.</summary>
    /// <param name="and">Which accounts, as a condition on <c>c.account_id</c>; empty for all.</param>
    internal static Dictionary<long, CallAgain> Load(SqliteConnection connection, string and) =>
        connection
            .Query<(long Account, string On, string Note)>(
                $"""
                SELECT c.account_id, c.on_date, c.note FROM call_again c WHERE c.on_date IS NOT NULL{and}
                    AND NOT EXISTS (SELECT 1 FROM call_again l WHERE l.account_id = c.account_id AND l.id > c.id)
                """
            )
            .ToDictionary(r => r.Account, r => new CallAgain(Columns.Date(r.On), r.Note));
}
