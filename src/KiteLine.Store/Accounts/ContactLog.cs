using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Calls, letters, e-mails and notes of an account. What was written down stays.</summary>
public static class ContactLog
{
    /// <summary>Writes an entry down.</summary>
    /// <exception cref="RefusedException">No text, one that is too long, or a day to come.</exception>
    public static void Add(
        Tx tx,
        Account account,
        ContactKind kind,
        DateOnly on,
        string contact,
        string text,
        DateOnly today
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ContactRule.RefuseUnlessSound(on, contact, text, today);
        tx.Connection.Execute(
            "INSERT INTO contact_log (account_id, kind, on_date, contact, text, made_by, made_at) VALUES (@Id, "
                + "@kind, @on, @contact, @text, @Who, @Now)",
            new
            {
                account.Id,
                kind,
                on,
                contact = contact.Trim(),
                text = text.Trim(),
                tx.Who,
                tx.Now,
            }
        );
    }

    /// <summary>The entries of an account, latest first.</summary>
    public static IReadOnlyList<LogEntry> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<LogEntry>(
                "SELECT id, kind, on_date, contact, text, made_by, made_at FROM contact_log WHERE account_id = @Id "
                    + "ORDER BY on_date DESC, id DESC LIMIT 1000",
                new { account.Id }
            )
            .AsList();
    }
}
