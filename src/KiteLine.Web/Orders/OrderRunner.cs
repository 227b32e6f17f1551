using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Carries out what is done with an order, or shows what it would do.</summary>
internal static class OrderRunner
{
    internal static OrderEffectView Enter(
        string code,
        bool? preview,
        EnterOrderRequest request,
        Desk desk,
        HttpContext context
    ) =>
        Run(
            desk,
            context,
            preview ?? false,
            withHeld: true,
            (c, rules) =>
            {
                var account = AccountStore.Get(c, code);
                var fields = new Fields();
                var number = fields.Text("number", request.Number, "the order's number", OrderDecision.LongestNumber);
                var date = fields.OptionalDate("date", request.Date) ?? rules.Today;
                if (
                    !string.IsNullOrWhiteSpace(request.Currency)
                    && !ReferenceEquals(fields.Currency("currency", request.Currency), account.Currency)
                )
                    fields.Bad(
                        "currency",
                        $"The account is kept in {account.Currency.Code}; an order in another currency goes on an "
                            + $"account in that currency."
                    );
                var total = fields.Money("total", request.Total, account.Currency);
                var deliveries = Deliveries(request.Deliveries, account.Currency, fields);
                fields.ThrowIfAny();
                return OrderDesk.Enter(
                    c,
                    account,
                    new(
                        number,
                        date,
                        total,
                        deliveries,
                        request.Reference?.Trim() ?? "",
                        context.Person() is null ? "program" : "typed",
                        request.Reason?.Trim() ?? "",
                        string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms.Trim()
                    ),
                    rules
                );
            }
        );

    internal static OrderEffectView Decide(
        Desk desk,
        HttpContext context,
        long id,
        bool? preview,
        Func<SqliteConnection, SalesOrder, long, Fields, BooksRules, OrderDesk.Decision> decide,
        bool withHeld = false
    )
    {
        var seq = context.Version();
        return Run(
            desk,
            context,
            preview ?? false,
            withHeld,
            (c, rules) => decide(c, OrderStore.Get(c, id), seq, new(), rules)
        );
    }

    /// <param name="withHeld">Whether the account after it is shown with what is held of the order: with what was asked
    /// for, not only with what was let go.</param>
    private static OrderEffectView Run(
        Desk desk,
        HttpContext context,
        bool preview,
        bool withHeld,
        Func<SqliteConnection, BooksRules, OrderDesk.Decision> decide
    )
    {
        OrderEffectView View(
            OrderDesk.Decision decision,
            SalesOrder order,
            BooksRules rules,
            PositionRules positions,
            BookAccount before,
            BookAccount after
        )
        {
            var (then, now) = (
                AccountPosition.On(before, rules.Today, positions),
                AccountPosition.On(after, rules.Today, positions)
            );
            return new(
                preview,
                OrderRow.Of(order, rules.Today, now, positions.Buckets),
                decision.Check is null ? null : CheckView.Of(decision.Check),
                AccountRow.Of(then, positions.Buckets),
                AccountRow.Of(
                    withHeld ? now with { Orders = now.Orders + order.Last.Step.Held(rules.Today) } : now,
                    positions.Buckets
                )
            );
        }

        if (preview)
        {
            return desk.Books.Read(c =>
            {
                var rules = desk.Rules(c);
                var decision = decide(c, rules);
                var book = BookLoader.Load(c, [decision.Account.Id])[0];
                return View(
                    decision,
                    OrderDesk.Shown(decision, rules),
                    rules,
                    Rules.Positions(c, rules.Today),
                    book,
                    OrderDesk.With(book, decision, rules)
                );
            });
        }

        return desk.Write(
            context,
            tx =>
            {
                var rules = tx.Rules();
                var decision = decide(tx.Connection, rules);
                var before = BookLoader.Load(tx.Connection, [decision.Account.Id])[0];
                var outcome = OrderDesk.Carry(tx, decision);
                return View(
                    decision,
                    outcome.Order,
                    rules,
                    Rules.Positions(tx.Connection, rules.Today),
                    before,
                    BookLoader.Load(tx.Connection, [decision.Account.Id])[0]
                );
            }
        );
    }

    internal static List<OrderDelivery> Deliveries(
        IReadOnlyList<DeliveryShape>? given,
        Currency currency,
        Fields fields
    ) =>
        [
            .. (given ?? [])
                .Select(
                    (d, i) =>
                        new OrderDelivery(
                            fields.Date($"deliveries[{i}].on", d.On),
                            fields.Money($"deliveries[{i}].amount", d.Amount, currency).Minor
                        )
                )
                .OrderBy(d => d.On),
        ];
}
