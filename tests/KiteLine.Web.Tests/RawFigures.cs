using Dapper;
using KiteLine.Store;

namespace KiteLine.Web.Tests;

/// <summary>What the raw rows of a book add up to, worked out by DuckDB in plain SQL; all in minor units.</summary>
internal sealed record RawFigures(string Code, long Items, long Disputed, long Uncleared, long Orders)
{
    /// <summary>
    /// Items by value date as posted by the day, what is disputed of them, receipts that have not cleared with the
    /// discounts (kind 2) and write-offs (kind 3) given in them, and the last step of each order.
    /// </summary>
    internal static Dictionary<string, RawFigures> Of(Books books, string day)
    {
        using var raw = RawTables.Of(
            books,
            "account",
            "item",
            "document",
            "entry",
            "movement",
            "dispute",
            "dispute_settled",
            "sales_order",
            "order_step"
        );
        return raw
            .Duck.Query<RawFigures>(
                $"""
                WITH open AS (SELECT i.id, i.account_id, sum(m.amount) amount FROM item i
                    JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                              WHERE i.date <= '{day}' AND m.value_date <= '{day}'
                                  AND (e.account_id IS NULL OR e.posting_date <= '{day}') GROUP BY ALL),
                     items AS (SELECT account_id, sum(amount) amount FROM open GROUP BY 1),
                     claims AS (SELECT d.item_id, sum(d.amount) amount FROM dispute d
                         LEFT JOIN dispute_settled s ON s.dispute_id = d.id
                                WHERE d.from_date <= '{day}' AND coalesce(s.on_date, '9999') > '{day}' GROUP BY 1),
                     disputed AS (SELECT o.account_id, sum(least(c.amount, greatest(o.amount, 0))) amount
                         FROM claims c JOIN open o ON o.id = c.item_id GROUP BY 1),
                     given AS (SELECT entry_id, sum(-amount) amount FROM movement WHERE kind IN (2, 3) GROUP BY 1),
                     uncleared AS (SELECT d.account_id, sum(d.net + coalesce(g.amount, 0)) amount FROM document d
                         JOIN entry e ON e.id = d.entry_id LEFT JOIN given g ON g.entry_id = e.id
                                   WHERE d.clears_on > '{day}' AND d.date <= '{day}' AND e.posting_date <= '{day}'
                                     AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id
                                         AND r.posting_date <= '{day}') GROUP BY 1),
                     last AS (SELECT o.account_id, s.*, row_number() OVER (PARTITION BY s.order_id
                         ORDER BY s.seq DESC) n FROM sales_order o JOIN order_step s ON s.order_id = o.id
                         WHERE s.on_date <= '{day}'),
                     orders AS (SELECT account_id,
                         sum(CASE WHEN is_over = 1 OR until_date < '{day}' THEN 0 ELSE greatest(0,
                         approved - invoiced) END) amount FROM last WHERE n = 1 GROUP BY 1)
                SELECT a.code, CAST(coalesce(i.amount, 0) AS BIGINT) items,
                    CAST(coalesce(d.amount, 0) AS BIGINT) disputed,
                       CAST(coalesce(u.amount, 0) AS BIGINT) uncleared, CAST(coalesce(o.amount, 0) AS BIGINT) orders
                FROM account a LEFT JOIN items i ON i.account_id = a.id LEFT JOIN disputed d ON d.account_id = a.id
                LEFT JOIN uncleared u ON u.account_id = a.id LEFT JOIN orders o ON o.account_id = a.id
                """
            )
            .ToDictionary(r => r.Code);
    }
}
