using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads orders with their steps in the form in which positions count them.</summary>
internal static class OrderBook
{
    private sealed record StepRow(
        long AccountId,
        long OrderId,
        string Number,
        string Date,
        string OnDate,
        long Total,
        long Approved,
        long Invoiced,
        string? UntilDate,
        long IsOver,
        string Deliveries
    )
    {
        internal OrderStep ToStep() =>
            new(Columns.Date(OnDate), Total, Approved, Invoiced, Columns.OptionalDate(UntilDate), IsOver == 1);
    }

    /// <summary>
    /// Orders by account. One that was over from its only step on, such as one declined at once, is left out.
    /// </summary>
    internal static ILookup<long, BookOrder> Load(SqliteConnection connection, string and) =>
        connection
            .Query<StepRow>(
                $"""
                SELECT o.account_id, s.order_id, o.number, o.date, s.on_date, s.total, s.approved, s.invoiced,
                    s.until_date, s.is_over, s.deliveries
                FROM sales_order o JOIN order_step s ON s.order_id = o.id WHERE true{and} ORDER BY s.order_id, s.seq
                """
            )
            .GroupBy(r => r.OrderId)
            .Select(g => (Last: g.Last(), Steps: g.Select(r => r.ToStep()).ToArray()))
            .ToLookup(
                o => o.Last.AccountId,
                o => new BookOrder(
                    o.Last.OrderId,
                    o.Last.Number,
                    Columns.Date(o.Last.Date),
                    o.Steps,
                    Json.Read<OrderDelivery[]>(o.Last.Deliveries)
                )
            );
}
