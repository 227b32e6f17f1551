using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads which part of invoices is not discountable, where their lines are known.</summary>
internal static class NotDiscountableLines
{
    /// <summary>By document, of the invoices of accounts in one currency.</summary>
    /// <param name="accounts">Their identifiers, as a JSON list.</param>
    internal static Dictionary<long, NotDiscountableParts> Of(
        SqliteConnection connection,
        Currency currency,
        string accounts,
        bool alsoClosed,
        RoundingRule rounding
    ) =>
        connection
            .Query<long>(
                """
                SELECT DISTINCT d.id FROM json_each(@accounts) x CROSS JOIN item i ON i.account_id = x.value
                CROSS JOIN document d ON d.id = i.document_id
                WHERE (@alsoClosed OR i.open <> 0) AND d.not_discountable <> 0
                    AND EXISTS (SELECT 1 FROM document_line l WHERE l.document_id = d.id)
                """,
                new { accounts, alsoClosed }
            )
            .Select(document =>
                (
                    document,
                    Parts: NotDiscountable.Of(
                        DocumentStore.Lines(connection, document, currency),
                        DocumentStore.Taxes(connection, document, currency),
                        currency,
                        rounding
                    )
                )
            )
            .Where(d => d.Parts is not null)
            .ToDictionary(d => d.document, d => d.Parts!);
}
