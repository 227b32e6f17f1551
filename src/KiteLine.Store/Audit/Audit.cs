using System.Security.Cryptography;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The audit log: who changed what, from what, to what, when and why.</summary>
public static class Audit
{
    /// <summary>Adds a row. <paramref name="detail"/> is written as JSON.</summary>
    public static void Record(Tx tx, string subject, string action, object detail, string reason = "")
    {
        ArgumentNullException.ThrowIfNull(tx);
        var row = new AuditRow
        {
            At = tx.Now,
            Who = tx.Who,
            Subject = subject,
            Action = action,
            Detail = Json.Write(detail),
            Reason = reason,
            PriorHash = LastHash(tx),
        };
        using var kept = Prepared.Kept(
            tx.Connection,
            """
            INSERT INTO audit (at, who, subject, action, detail, reason, prior_hash, hash)
            VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)
            """
        );
        kept.Bind(1, row.At);
        kept.Bind(2, row.Who);
        kept.Bind(3, row.Subject);
        kept.Bind(4, row.Action);
        kept.Bind(5, row.Detail);
        kept.Bind(6, row.Reason);
        kept.Bind(7, row.PriorHash);
        kept.Bind(8, row.ComputeHash());
        kept.Run();
    }

    private static string LastHash(Tx tx)
    {
        using var query = Prepared.Kept(tx.Connection, "SELECT hash FROM audit ORDER BY id DESC LIMIT 1");
        return query.Next() ? query.Text(0) : "";
    }

    /// <summary>The rows about one subject, latest first.</summary>
    public static IReadOnlyList<AuditRow> Of(SqliteConnection connection, string subject) =>
        connection
            .Query<AuditRow>("SELECT * FROM audit WHERE subject = @subject ORDER BY id DESC LIMIT 500", new { subject })
            .AsList();
}
