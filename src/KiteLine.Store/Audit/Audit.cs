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
            PriorHash = tx.Connection.ExecuteScalar<string>("SELECT hash FROM audit ORDER BY id DESC LIMIT 1") ?? "",
        };
        tx.Connection.Execute(
            """
            INSERT INTO audit (at, who, subject, action, detail, reason, prior_hash, hash)
            VALUES (@At, @Who, @Subject, @Action, @Detail, @Reason, @PriorHash, @Hash)
            """,
            row with
            {
                Hash = row.ComputeHash(),
            }
        );
    }

    /// <summary>The rows about one subject, latest first.</summary>
    public static IReadOnlyList<AuditRow> Of(SqliteConnection connection, string subject) =>
        connection
            .Query<AuditRow>("SELECT * FROM audit WHERE subject = @subject ORDER BY id DESC LIMIT 500", new { subject })
            .AsList();
}
