using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Invoices and credit notes of an account in a period, by document or by line. Those that were taken back are left
/// out; the ledger shows them.
/// </summary>
public static class DocumentHistory
{
    // Found by the account; a credit note takes away.
    private const string From = """
        FROM document d JOIN (SELECT 1 credited, -1 sign UNION ALL SELECT 0, 1) s ON s.credited = (d.kind = @credit)
        """;

    private const string Where = """
        WHERE d.account_id = @Id AND d.kind IN (@invoice, @credit) AND d.date BETWEEN @from AND @to
            AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)
        """;

    // Lines, then taxes, then those of totals alone, each in the order of its document.
    private const string Lines = $"""
        SELECT d.id, d.kind, d.number, d.date, 0 place, l.line part, l.text, l.quantity, l.unit_price, l.tax_code,
            s.sign * l.net net, 0 tax {From} JOIN document_line l ON l.document_id = d.id {Where}
        UNION ALL
        SELECT d.id, d.kind, d.number, d.date, 1, t.part, t.authority || ' ' || t.percent || ' %', '', '', t.code,
            0, s.sign * t.tax {From} JOIN document_tax t ON t.document_id = d.id {Where}
        UNION ALL
        SELECT d.id, d.kind, d.number, d.date, 2, 1, '', '', '', '', s.sign * d.net, s.sign * d.tax {From} {Where}
            AND NOT EXISTS (SELECT 1 FROM document_line l WHERE l.document_id = d.id)
        """;

    /// <summary>How many documents there are, and what they come to in minor units.</summary>
    public static (long Count, long Net, long Tax) Totals(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to
    ) =>
        connection.QuerySingle<(long, long, long)>(
            $"SELECT count(*), coalesce(sum(s.sign * d.net), 0), coalesce(sum(s.sign * d.tax), 0) {From} {Where}",
            Values(account, from, to)
        );

    /// <summary>The documents, latest first.</summary>
    public static IEnumerable<DocumentRow> ByDocument(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to,
        int skip,
        int take
    ) =>
        connection.Query<DocumentRow>(
            $"""
            SELECT d.id, d.entry_id, (SELECT e.kind = @Opening FROM entry e WHERE e.id = d.entry_id) from_opening,
                d.kind, d.number, d.date, d.reference,
                (SELECT a.date FROM amendment a WHERE a.document_id = d.id
                    AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = a.entry_id)
                    ORDER BY a.id DESC LIMIT 1) amended_on, s.sign * d.net net, s.sign * d.tax tax,
                (SELECT coalesce(sum(i.open), 0) FROM item i
                    WHERE i.account_id = d.account_id AND i.document_id = d.id) open,
                coalesce((SELECT v.number FROM credited_invoice c JOIN document v ON v.id = c.invoice_id
                    WHERE c.document_id = d.id), '') credits
            {From} {Where} ORDER BY d.date DESC, d.id DESC LIMIT @take OFFSET @skip
            """,
            Values(account, from, to, skip, take),
            buffered: false
        );

    /// <summary>How many lines there are, and what they come to in minor units.</summary>
    public static (long Count, long Net, long Tax) LineTotals(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to
    ) =>
        connection.QuerySingle<(long, long, long)>(
            $"SELECT count(*), coalesce(sum(net), 0), coalesce(sum(tax), 0) FROM ({Lines})",
            Values(account, from, to)
        );

    /// <summary>The lines, those of the latest document first.</summary>
    public static IEnumerable<DocumentLineRow> ByLine(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to,
        int skip,
        int take
    ) =>
        connection.Query<DocumentLineRow>(
            $"""
            SELECT id, kind, number, date, text, quantity, unit_price, tax_code, net, tax FROM ({Lines})
            ORDER BY date DESC, id DESC, place, part LIMIT @take OFFSET @skip
            """,
            Values(account, from, to, skip, take),
            buffered: false
        );

    private static object Values(Account account, DateOnly from, DateOnly to, int skip = 0, int take = 0)
    {
        ArgumentNullException.ThrowIfNull(account);
        return new
        {
            account.Id,
            from,
            to,
            invoice = ItemKind.Invoice,
            credit = ItemKind.CreditNote,
            PostingKind.Opening,
            skip,
            take,
        };
    }
}
