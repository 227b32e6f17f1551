using System.Security.Cryptography;
using System.Text;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>One row of the audit log.</summary>
public sealed record AuditRow
{
    public long Id { get; init; }

    public string At { get; init; } = "";

    public string Who { get; init; } = "";

    public string Subject { get; init; } = "";

    public string Action { get; init; } = "";

    public string Detail { get; init; } = "";

    public string Reason { get; init; } = "";

    public string PriorHash { get; init; } = "";

    public string Hash { get; init; } = "";

    /// <summary>The hash that the row must carry: SHA-256 over the hash before it and its own fields.</summary>
    public string ComputeHash()
    {
        var fields = string.Join('\u001f', PriorHash, At, Who, Subject, Action, Detail, Reason);
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(fields)));
    }
}

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
