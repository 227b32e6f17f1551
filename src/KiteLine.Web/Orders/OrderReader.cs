using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads orders for the queue, for one order’s page and for a file.</summary>
internal static class OrderReader
{
    internal static OrderPageOfMany List(string? show, string? account, Desk desk)
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

    internal static IResult Export(string? format, OrderPageOfMany orders, Desk desk)
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
        var rows = orders.Items.Select(o =>
            (IReadOnlyList<object?>)
                [
                    o.Account,
                    o.AccountName,
                    o.Number,
                    $"{o.Date:yyyy-MM-dd}",
                    Fields.Name(o.State),
                    o.Currency,
                    o.Total.Amount,
                    o.Approved.Amount,
                    o.Invoiced.Amount,
                    o.Held.Amount,
                    o.Until?.ToString("O") ?? "",
                    o.Deposit?.Amount,
                    o.Reference,
                    string.Join("; ", o.Findings.Select(f => f.Text)),
                ]
        );
        return Tables.File(format, header, rows, "Orders", $"orders-{desk.Today():yyyy-MM-dd}");
    }

    internal static OrderPage Page(long id, Desk desk) =>
        desk.Books.Read(c =>
        {
            var order = OrderStore.Get(c, id);
            var settings = CompanyStore.Settings(c);
            var today = desk.Today(settings);
            var buckets = settings.Buckets();
            var held = Money.FromMinor(order.Last.Step.Held(today), order.Account.Currency);
            var check = CheckDesk.Check(c, order.Account, held, today);
            var position = check.Subject.Position;
            Money Amount(long minor) => Money.FromMinor(minor, order.Account.Currency);
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
                Amount(position.Overdue),
                position.OldestDays,
                [
                    .. order
                        .Events.Reverse()
                        .Select(e => new OrderEventView(
                            e.Seq,
                            e.Kind,
                            e.Step.On,
                            Amount(e.Step.Total),
                            Amount(e.Step.Approved),
                            Amount(e.Step.Invoiced),
                            e.Step.Until,
                            e.Deposit > 0 ? Amount(e.Deposit) : null,
                            [.. e.Findings.Select(OrderRow.View)],
                            e.Reason,
                            e.MadeBy,
                            e.MadeAt
                        )),
                ]
            );
        });
}
