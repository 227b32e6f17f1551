using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the ledger.</summary>
public static class LedgerView
{
    private const string Columns = """
        e.id entry_id, e.kind, e.posting_date, e.reverses, e.posted_by, e.currency, a.code account_code, a.name account_name,
            coalesce((SELECT sum(x.discount) FROM allocation x WHERE x.entry_id = e.id), 0) discount,
            coalesce((SELECT sum(x.write_off) FROM allocation x WHERE x.entry_id = e.id), 0) write_off
        """;

    private static readonly int[] Customers = [(int)PostingPurpose.Receivables, (int)PostingPurpose.CashOnAccount];

    /// <summary>All postings of an account in order of posting; opening items stand one by one.</summary>
    public static IReadOnlyList<LedgerRow> OfAccount(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<LedgerRow>(
                $"""
                SELECT {Columns}, coalesce(max(CASE WHEN d.entry_id = e.id THEN d.number END), '') number,
                    sum(m.amount) change,
                       coalesce(nullif(max(CASE WHEN d.entry_id = e.id THEN d.reference END), ''), e.text) text,
                       CASE WHEN e.kind = @opening THEN d.id END opening_document,
                       CASE WHEN e.kind = @opening THEN (SELECT r.entry_id FROM opening_reversal r
                           WHERE r.document_id = d.id)
                            ELSE (SELECT r.id FROM entry r WHERE r.reverses = e.id) END reversed_by, d.date placed
                FROM item i JOIN movement m ON m.item_id = i.id JOIN document d ON d.id = i.document_id
                    JOIN entry e ON e.id = m.entry_id
                JOIN account a ON a.id = i.account_id
                WHERE i.account_id = @Id GROUP BY e.id, CASE WHEN e.kind = @opening THEN d.id END
                UNION ALL
                SELECT {Columns}, d.number, 0, e.text, NULL, (SELECT r.id FROM entry r WHERE r.reverses = e.id), d.date
                FROM (
                        SELECT entry_id, document_id FROM amendment WHERE account_id = @Id
                        UNION ALL
                        SELECT r.id, m.document_id FROM amendment m CROSS JOIN entry r ON r.reverses = m.entry_id
                            WHERE m.account_id = @Id
                    ) m JOIN entry e ON e.id = m.entry_id JOIN document d ON d.id = m.document_id
                    JOIN account a ON a.id = d.account_id
                ORDER BY posting_date, entry_id, placed
                """,
                new { account.Id, opening = PostingKind.Opening }
            )
            .AsList();
    }

    /// <summary>The latest postings of one kind over all accounts.</summary>
    public static (long Total, IReadOnlyList<LedgerRow> Rows) OfKind(
        SqliteConnection connection,
        PostingKind kind,
        int skip,
        int take
    )
    {
        var total = connection.ExecuteScalar<long>(
            "SELECT count(*) FROM entry WHERE kind = @kind AND account_id IS NOT NULL",
            new { kind }
        );
        var rows = connection
            .Query<LedgerRow>(
                $"""
                SELECT {Columns}, (SELECT d.number FROM document d WHERE d.entry_id = e.id
                    AND d.account_id = e.account_id) number,
                       coalesce((SELECT nullif(d.reference, '') FROM document d WHERE d.entry_id = e.id
                           AND d.account_id = e.account_id), e.text) text,
                       (SELECT sum(amount) FROM journal_line l WHERE l.entry_id = e.id
                           AND l.purpose IN @Customers) change,
                       (SELECT r.id FROM entry r WHERE r.reverses = e.id) reversed_by
                FROM entry e JOIN account a ON a.id = e.account_id
                WHERE e.kind = @kind AND e.account_id IS NOT NULL ORDER BY e.id DESC LIMIT @take OFFSET @skip
                """,
                new
                {
                    kind,
                    skip,
                    take,
                    Customers,
                }
            )
            .AsList();
        return (total, rows);
    }

    /// <summary>The code of the account that a posting is for; empty for opening items that came in together.</summary>
    public static string AccountOf(SqliteConnection connection, long entryId) =>
        connection.ExecuteScalar<string>(
            "SELECT coalesce(a.code, '') FROM entry e LEFT JOIN account a ON a.id = e.account_id WHERE e.id = @entryId",
            new { entryId }
        ) ?? throw new NotThereException("posting", $"{entryId}");

    /// <summary>The code of the account that a document is on.</summary>
    public static string AccountOfDocument(SqliteConnection connection, long documentId) =>
        connection.ExecuteScalar<string>(
            "SELECT a.code FROM document d JOIN account a ON a.id = d.account_id WHERE d.id = @documentId",
            new { documentId }
        ) ?? throw new NotThereException("document", $"{documentId}");

    /// <summary>
    /// The journal of a posting with the account numbers it went to, or of one opening document, whose entry it shares
    /// with the others that came in with it.
    /// </summary>
    public static IReadOnlyList<JournalLine> Journal(
        SqliteConnection connection,
        long entryId,
        long? openingDocument = null
    )
    {
        var currency = Currency.Of(
            connection.ExecuteScalar<string>("SELECT currency FROM entry WHERE id = @entryId", new { entryId })
                ?? throw new NotThereException("posting", $"{entryId}")
        );
        if (openingDocument is { } document)
        {
            var (kind, open) = connection.QuerySingle<(long Kind, long? Open)>(
                """
                SELECT coalesce(max(i.kind), 0), sum(m.amount) FROM item i JOIN movement m ON m.item_id = i.id
                WHERE i.document_id = @document AND m.entry_id = @entryId
                """,
                new { document, entryId }
            );
            return open is { } amount
                ? OpeningPosting.Lines((ItemKind)kind, Money.FromMinor(amount, currency))
                : throw new NotThereException("document", $"{document}");
        }

        return connection
            .Query<(string Account, long Purpose, long Amount)>(
                "SELECT account, purpose, amount FROM journal_line WHERE entry_id = @entryId ORDER BY line",
                new { entryId }
            )
            .Select(l => new JournalLine((PostingPurpose)l.Purpose, Money.FromMinor(l.Amount, currency), l.Account))
            .ToList();
    }
}
