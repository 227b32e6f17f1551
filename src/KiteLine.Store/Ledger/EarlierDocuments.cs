using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Finds the documents that one which is to be posted is compared with.</summary>
internal static class EarlierDocuments
{
    private sealed record Row(
        long AccountId,
        long Kind,
        string Number,
        string Date,
        long Net,
        long Tax,
        string Reference
    );

    /// <summary>What is to be named about the first document of a posting before it is posted.</summary>
    internal static IReadOnlyList<DocumentWarning> Warnings(
        SqliteConnection connection,
        Account account,
        Posting posting,
        BooksRules rules
    )
    {
        var document = posting.Documents[0];
        var gross = document.Net + document.Tax;
        return DocumentWarnings.Of(
            document.Kind,
            document.Date,
            gross,
            document.Reference,
            Of(connection, [account.Id], document.Kind, account.Currency, gross)[account.Id],
            rules.Today
        );
    }

    /// <summary>Documents of one kind that stand on some accounts of a currency, the latest first, by account.</summary>
    /// <param name="gross">Of this amount alone; null for any.</param>
    internal static ILookup<long, EarlierDocument> Of(
        SqliteConnection connection,
        IReadOnlyCollection<long> accounts,
        ItemKind kind,
        Currency currency,
        Money? gross = null
    ) =>
        connection
            .Query<Row>(
                """
                SELECT d.account_id, d.kind, d.number, d.date, d.net, d.tax, d.reference
                FROM json_each(@accounts) a CROSS JOIN document d ON d.account_id = a.value
                WHERE d.kind = @kind AND (@gross IS NULL OR d.net + d.tax = @gross)
                    AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)
                ORDER BY d.id DESC
                """,
                new
                {
                    accounts = Json.Write(accounts),
                    kind,
                    gross = gross?.Minor,
                }
            )
            .ToLookup(
                r => r.AccountId,
                r => new EarlierDocument(
                    (ItemKind)r.Kind,
                    r.Number,
                    Columns.Date(r.Date),
                    Money.FromMinor(r.Net + r.Tax, currency),
                    r.Reference
                )
            );
}
