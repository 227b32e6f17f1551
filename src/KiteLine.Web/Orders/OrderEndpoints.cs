using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Orders: checked before anything is promised, held ones decided on; and the check for other systems.
/// </summary>
internal static class OrderEndpoints
{
    internal static void MapOrders(this RouteGroupBuilder api)
    {
        api.MapPost("/accounts/{code}/orders", Enter)
            .By(Role.Controller)
            .WithTags("Orders")
            .WithName("enterOrder")
            .WithSummary("Takes an order and checks it; with preview=true shows the check. Send an Idempotency-Key")
            .ProducesProblem(400)
            .ProducesProblem(404);
        var orders = api.MapGroup("/orders").WithTags("Orders");
        orders
            .MapGet("/", List)
            .By(Role.Viewer)
            .WithName("listOrders")
            .WithSummary("Orders: held, open or all, latest first")
            .ProducesProblem(400);
        orders
            .MapGet(
                "/export",
                (string? format, string? show, Desk desk) => Export(format, List(show, null, desk), desk)
            )
            .By(Role.Viewer)
            .WithName("exportOrders")
            .WithSummary("Orders as CSV or XLSX")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        orders
            .MapGet("/{id:long}", Page)
            .By(Role.Viewer)
            .WithName("getOrder")
            .WithSummary("One order, its check as of now, and the account before and after it")
            .ProducesProblem(404);
        orders
            .MapPost(
                "/{id:long}/release",
                (long id, bool? preview, DecideOrderRequest r, Desk desk, HttpContext context) =>
                    Decide(
                        desk,
                        context,
                        id,
                        preview,
                        (c, order, seq, fields, rules) =>
                        {
                            var amount = string.IsNullOrWhiteSpace(r.Amount)
                                ? (Money?)null
                                : fields.Money("amount", r.Amount, order.Account.Currency);
                            var until = fields.OptionalDate("until", r.Until);
                            fields.ThrowIfAny();
                            return OrderDesk.Release(
                                c,
                                id,
                                seq,
                                amount,
                                until,
                                preview is true && string.IsNullOrWhiteSpace(r.Reason) ? "preview" : r.Reason ?? "",
                                context.Who().Authority,
                                rules
                            );
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("releaseOrder")
            .WithSummary("Releases a held order in full, in part or until a day; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        orders
            .MapPost(
                "/{id:long}/deposit",
                (long id, DecideOrderRequest r, Desk desk, HttpContext context) =>
                    Decide(
                        desk,
                        context,
                        id,
                        false,
                        (c, order, seq, fields, rules) =>
                        {
                            var deposit = fields.Money("amount", r.Amount, order.Account.Currency);
                            fields.ThrowIfAny();
                            return OrderDesk.AskDeposit(c, id, seq, deposit, r.Reason ?? "", rules);
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("askDeposit")
            .WithSummary("Asks for a deposit before a held order is released; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        foreach (var (verb, decline) in new[] { ("decline", true), ("close", false) })
            orders
                .MapPost(
                    $"/{{id:long}}/{verb}",
                    (long id, DecideOrderRequest r, Desk desk, HttpContext context) =>
                        Decide(
                            desk,
                            context,
                            id,
                            false,
                            (c, _, seq, _, rules) => OrderDesk.End(c, id, seq, decline, r.Reason ?? "", rules)
                        )
                )
                .By(Role.Controller)
                .WithName($"{verb}Order")
                .WithSummary(
                    decline
                        ? "Declines an order; needs If-Match"
                        : "Closes an order of which nothing more is wanted; needs If-Match"
                )
                .ProducesProblem(400)
                .ProducesProblem(404)
                .ProducesProblem(412);
        orders
            .MapPut(
                "/{id:long}",
                (long id, bool? preview, ChangeOrderRequest r, Desk desk, HttpContext context) =>
                    Decide(
                        desk,
                        context,
                        id,
                        preview,
                        (c, order, seq, fields, rules) =>
                        {
                            var total = fields.Money("total", r.Total, order.Account.Currency);
                            var deliveries =
                                r.Deliveries is null && total.Minor == order.Last.Step.Total
                                    ? order.Last.Deliveries
                                    : Deliveries(r.Deliveries, order.Account.Currency, fields);
                            fields.ThrowIfAny();
                            return OrderDesk.Change(c, id, seq, total, deliveries, r.Reason ?? "", rules);
                        },
                        withHeld: true
                    )
            )
            .By(Role.Controller)
            .WithName("changeOrder")
            .WithSummary("Changes what was ordered; growth is checked again; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        orders
            .MapPost("/file", OrderFiles.Import)
            .By(Role.Controller)
            .WithName("importOrders")
            .WithSummary("Orders from a CSV file or a UBL 2.1 Order; with preview=true shows the checks")
            .Accepts<byte[]>("*/*")
            .Produces<OrderFileResult>()
            .ProducesProblem(400);
    }

    private static OrderEffectView Enter(
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
                        request.Reason?.Trim() ?? ""
                    ),
                    rules
                );
            }
        );

    private static OrderPageOfMany List(string? show, string? account, Desk desk)
    {
        var fields = new Fields();
        var wanted = show ?? "held";
        if (wanted is not ("held" or "open" or "all"))
            fields.Bad("show", "Choose held, open or all.");
        fields.ThrowIfAny();
        var book = desk.Snapshots.Current;
        var today = desk.Today(book.Settings);
        var (rules, buckets) = (book.PositionRules(today), book.Settings.Buckets());
        var all = desk.Books.Read(c =>
            string.IsNullOrWhiteSpace(account)
                ? OrderStore.All(c, wanted == "all", 1000)
                : OrderStore.Of(c, AccountStore.Get(c, account))
        );
        var held = all.Where(o => o.Last.Step.Held(today) > 0).ToList();
        var shown = wanted switch
        {
            "held" => held,
            "open" => [.. all.Where(o => !o.Last.Step.Over)],
            _ => all,
        };
        var positions = new Dictionary<string, AccountPosition>(StringComparer.Ordinal);
        AccountPosition Position(SalesOrder o)
        {
            if (!positions.TryGetValue(o.Account.Code, out var p))
                positions.Add(o.Account.Code, p = AccountPosition.On(book.Find(o.Account.Code)!, today, rules));
            return p;
        }

        return new(
            shown.Count,
            held.Count,
            [.. shown.Take(1000).Select(o => OrderRow.Of(o, today, Position(o), buckets))]
        );
    }

    private static IResult Export(string? format, OrderPageOfMany orders, Desk desk)
    {
        string[] header =
        [
            "Account",
            "Name",
            "Order",
            "Date",
            "State",
            "Currency",
            "Ordered",
            "Approved",
            "Invoiced",
            "Held",
            "Release holds until",
            "Deposit asked",
            "Reference",
            "Found",
        ];
        static object? Number(string? amount) =>
            amount is null ? null : decimal.Parse(amount, System.Globalization.CultureInfo.InvariantCulture);
        var rows = orders.Items.Select(o =>
            (IReadOnlyList<object?>)
                [
                    o.Account,
                    o.AccountName,
                    o.Number,
                    o.Date,
                    o.State,
                    o.Currency,
                    Number(o.Total),
                    Number(o.Approved),
                    Number(o.Invoiced),
                    Number(o.Held),
                    o.Until ?? "",
                    Number(o.Deposit),
                    o.Reference,
                    string.Join("; ", o.Findings.Select(f => f.Text)),
                ]
        );
        return Tables.File(format, header, rows, "Orders", $"orders-{desk.Today():yyyy-MM-dd}");
    }

    private static OrderPage Page(long id, Desk desk) =>
        desk.Books.Read(c =>
        {
            var order = OrderStore.Get(c, id);
            var settings = CompanyStore.Settings(c);
            var today = desk.Today(settings);
            var buckets = settings.Buckets();
            var held = Money.FromMinor(order.Last.Step.Held(today), order.Account.Currency);
            var check = CheckDesk.Check(c, order.Account, held, today);
            var position = check.Subject.Position;
            string Text(long minor) => Money.FromMinor(minor, order.Account.Currency).ToString();
            return new OrderPage(
                OrderRow.Of(order, today, position, buckets),
                AccountRow.Of(position, buckets),
                AccountRow.Of(
                    position with
                    {
                        Orders = position.Orders + held.Minor,
                        Held = position.Held - held.Minor,
                    },
                    buckets
                ),
                CheckView.Of(check),
                AccountPageReader.Promises(c, order.Account, position, check.Subject.Calendar),
                Text(position.Overdue),
                position.OldestDays,
                [
                    .. order
                        .Events.Reverse()
                        .Select(e => new OrderEventView(
                            e.Seq,
                            Fields.Name(e.Kind),
                            $"{e.Step.On:yyyy-MM-dd}",
                            Text(e.Step.Total),
                            Text(e.Step.Approved),
                            Text(e.Step.Invoiced),
                            e.Step.Until?.ToString("O"),
                            e.Deposit > 0 ? Text(e.Deposit) : null,
                            [.. e.Findings.Select(OrderRow.View)],
                            e.Reason,
                            e.MadeBy,
                            e.MadeAt
                        )),
                ]
            );
        });

    private static OrderEffectView Decide(
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

    private static List<OrderDelivery> Deliveries(
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
