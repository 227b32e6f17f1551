using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Which documents and letters of an account go with it when it is handed over.</summary>
public static class DossierStore
{
    /// <summary>Invoices and credit notes of which something is open, the oldest first.</summary>
    public static IReadOnlyList<long> Documents(SqliteConnection connection, Account account, int most)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<long>(
                """
                SELECT DISTINCT d.id FROM item i JOIN document d ON d.id = i.document_id
                WHERE i.account_id = @Id AND i.open <> 0 AND d.kind IN (@Invoice, @CreditNote)
                ORDER BY d.date, d.id LIMIT @most
                """,
                new
                {
                    account.Id,
                    ItemKind.Invoice,
                    ItemKind.CreditNote,
                    most,
                }
            )
            .AsList();
    }

    /// <summary>Postings of late charges of which something is open, the oldest first.</summary>
    public static IReadOnlyList<long> Charges(SqliteConnection connection, Account account, int most)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<long>(
                """
                SELECT d.entry_id FROM item i JOIN document d ON d.id = i.document_id JOIN entry e ON e.id = d.entry_id
                WHERE i.account_id = @Id AND i.open <> 0 AND e.kind = @LateCharge ORDER BY d.date, d.id LIMIT @most
                """,
                new
                {
                    account.Id,
                    PostingKind.LateCharge,
                    most,
                }
            )
            .AsList();
    }
}
