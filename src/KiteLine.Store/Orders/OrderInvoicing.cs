using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What an invoice, or its reversal, does to the order that it was made of.</summary>
internal static class OrderInvoicing
{
    /// <summary>
    /// Counts an invoice against the order it was made of: what was exposed as an order is exposed as an item from now
    /// on.
    /// </summary>
    internal static void Invoiced(Tx tx, SalesOrder order, OrderStep step, long entryId) =>
        Step(tx, order, OrderStepKind.Invoiced, step, "", entryId);

    /// <summary>
    /// The order that an invoice was made of, and how it stands once that is taken back; null where it was made of
    /// none.
    /// </summary>
    internal static (SalesOrder Order, OrderStep Step)? WithoutInvoice(
        SqliteConnection connection,
        long entryId,
        DateOnly today
    )
    {
        var taken = connection.QuerySingleOrDefault<(long OrderId, long Gross)?>(
            "SELECT d.order_id, d.net + d.tax FROM document d WHERE d.entry_id = @entryId AND d.order_id IS NOT NULL",
            new { entryId }
        );
        if (taken is not { } t)
            return null;
        var order = OrderStore.Get(connection, t.OrderId);
        return (order, OrderStepRule.InvoiceReversed(order.Last.Step, today, t.Gross));
    }

    /// <summary>Gives an order back what an invoice had taken of it, when that invoice is reversed.</summary>
    internal static void InvoiceReversed(Tx tx, SalesOrder order, OrderStep step, long reversal, string reason) =>
        Step(tx, order, OrderStepKind.InvoiceReversed, step, reason, reversal);

    private static void Step(
        Tx tx,
        SalesOrder order,
        OrderStepKind kind,
        OrderStep step,
        string reason,
        long entryId
    ) =>
        OrderStore.Add(
            tx,
            order.Account,
            order.Number,
            order.Id,
            order.Last.Seq + 1,
            kind,
            step,
            order.Last.Deliveries,
            reason,
            null,
            0,
            entryId
        );
}
