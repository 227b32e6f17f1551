using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Document numbers in series without gaps: a posting that is rolled back gives its number back.</summary>
internal static class Numbers
{
    internal static string Next(Tx tx, ItemKind kind) => kind switch
    {
        ItemKind.Invoice => Next(tx, "INV", 5),
        ItemKind.CreditNote => Next(tx, "CRN", 5),
        ItemKind.Receipt => Next(tx, "RCT", 5),
        ItemKind.LateCharge => Next(tx, "LCH", 5),
        ItemKind.ReminderFee => Next(tx, "FEE", 5),
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

    internal static string Next(Tx tx, string series, int digits)
    {
        var number = tx.Connection.ExecuteScalar<long>(
            "INSERT INTO number_series VALUES (@series, 2) ON CONFLICT (name) DO UPDATE SET next = next + 1 RETURNING next - 1", new { series });
        return $"{series}-{number.ToString("D" + digits, System.Globalization.CultureInfo.InvariantCulture)}";
    }

    /// <summary>Which revision of the document the next of this number is: 1, or one more when those before were reversed; null when one stands.</summary>
    internal static long? Revision(SqliteConnection connection, long accountId, string number)
    {
        var (all, standing) = connection.QuerySingle<(long All, long Standing)>(
            """
            SELECT count(*), coalesce(sum(NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)), 0)
            FROM document d WHERE d.account_id = @accountId AND d.number = @number
            """, new { accountId, number });
        return standing == 0 ? all + 1 : null;
    }
}
