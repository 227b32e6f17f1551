using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads receipts.</summary>
public static class ReceiptStore
{
    /// <summary>The receipt that an entry posted.</summary>
    /// <exception cref="NotThereException">It posted none.</exception>
    public static StoredReceipt Get(SqliteConnection connection, long entryId)
    {
        var row =
            connection.QuerySingleOrDefault<(
                string Code,
                string Number,
                string Date,
                long Net,
                long Document,
                string Method,
                string Reference,
                bool Reversed,
                long Open
            )?>(
                """
                SELECT a.code, d.number, d.date, d.net, d.id, d.payment_method, d.reference,
                    EXISTS (SELECT 1 FROM entry x WHERE x.reverses = e.id),
                    (SELECT coalesce(sum(i.open), 0) FROM item i
                        WHERE i.account_id = d.account_id AND i.document_id = d.id)
                FROM entry e JOIN account a ON a.id = e.account_id
                    JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id
                WHERE e.id = @entryId AND e.kind = @receipt
                """,
                new { entryId, receipt = PostingKind.Receipt }
            ) ?? throw new NotThereException("receipt", $"{entryId}");
        return new(
            AccountStore.Get(connection, row.Code),
            row.Number,
            Columns.Date(row.Date),
            row.Net,
            MoveDesk.MovedOf(connection, row.Document),
            row.Method,
            row.Reference,
            row.Reversed,
            -row.Open
        );
    }
}
