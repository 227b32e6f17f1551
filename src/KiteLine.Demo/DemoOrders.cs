using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>Orders of the demo's customers, some held, released or waiting for a deposit.</summary>
internal static class DemoOrders
{
    private static readonly DateOnly Today = DemoPolicies.BusinessDate;

    /// <summary>Orders of one customer, each checked on the day it came in.</summary>
    internal static void Of(Tx tx, DemoCustomer c, int i)
    {
        if (i % 3 != 0)
            return;
        for (var n = 0; n < 1 + (i % 2); n++)
        {
            var on = BusinessCalendar.WeekendsOnly.Adjust(
                Today.AddDays(-c.Random.Next(1, 12)),
                BusinessDayRule.Previous
            );
            var total = tx.Rules()
                .Round(c.Monthly * (decimal)(0.2 + (c.Random.NextDouble() * 0.5)), c.Account.Currency);
            tx.ActingOn = on;
            var parts = 1 + ((i + n) % 3);
            var deliveries = Shares
                .InProportion(total, [.. Enumerable.Repeat(1m, parts)], tx.Rules().Rounding)
                .Select(
                    (m, p) =>
                        new OrderDelivery(
                            BusinessCalendar.WeekendsOnly.Adjust(
                                Today.AddDays(4 + (p * 14) + (i % 9)),
                                BusinessDayRule.Next
                            ),
                            m.Minor
                        )
                )
                .ToList();
            var entered = OrderDesk.Enter(
                tx,
                c.Account,
                new(
                    $"SO-{5400 + (i * 2) + n}",
                    on,
                    total,
                    deliveries,
                    $"{c.Account.Code} spring",
                    Reason: n == 0 && i % 12 == 9 ? "Deposit is on its way, agreed with sales" : ""
                )
            );
            var last = entered.Order.Last;
            tx.ActingOn = Today.AddDays(-1);
            if (last.Kind == OrderStepKind.Held && i % 18 == 6)
                OrderDesk.Carry(
                    tx,
                    OrderDesk.Release(
                        tx.Connection,
                        entered.Order.Id,
                        last.Seq,
                        null,
                        Today.AddDays(14),
                        "Agreed with the owner until month end",
                        tx.Actor.Authority,
                        tx.Rules()
                    )
                );
            else if (last.Kind == OrderStepKind.Held && i % 18 == 9)
                OrderDesk.Carry(
                    tx,
                    OrderDesk.AskDeposit(
                        tx.Connection,
                        entered.Order.Id,
                        last.Seq,
                        tx.Rules().Round(total.Amount / 2, total.Currency),
                        "Half of it first",
                        tx.Rules()
                    )
                );
            else if (last.Kind == OrderStepKind.Approved && i % 9 == 0 && n == 0)
                Invoice(tx, c, entered.Order);
        }

        tx.ActingOn = null;
    }

    // The first delivery of an order is invoiced, the rest stays an order.
    private static void Invoice(Tx tx, DemoCustomer c, SalesOrder order)
    {
        var currency = c.Account.Currency;
        var gross = Money.FromMinor(order.Last.Deliveries[0].Minor, currency);
        var tax = currency.Code == "GBP" ? tx.Rules().Round(gross.Amount / 6, currency) : Money.Zero(currency);
        InvoiceDesk.Post(
            tx,
            c.Account,
            new(
                null,
                tx.BusinessDate(),
                new(gross - tax, tax, Money.Zero(currency)),
                null,
                order.Number,
                order.Id,
                null
            )
        );
    }
}
