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
        api.MapPost("/accounts/{code}/orders", OrderRunner.Enter)
            .By(Role.Controller)
            .WithTags("Orders")
            .WithName("enterOrder")
            .WithSummary("Takes an order and checks it; with preview=true shows the check. Send an Idempotency-Key")
            .ProducesProblem(400)
            .ProducesProblem(404);
        var orders = api.MapGroup("/orders").WithTags("Orders");
        orders
            .MapGet("/", OrderReader.List)
            .By(Role.Viewer)
            .WithName("listOrders")
            .WithSummary("Orders: held, open or all, latest first")
            .ProducesProblem(400);
        orders
            .MapGet(
                "/export",
                (string? format, string? show, Desk desk) =>
                    OrderReader.Export(format, OrderReader.List(show, null, desk), desk)
            )
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportOrders")
            .WithSummary("Orders as CSV or XLSX")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        orders
            .MapGet("/{id:long}", OrderReader.Page)
            .By(Role.Viewer)
            .WithName("getOrder")
            .WithSummary("One order, its check as of now, and the account before and after it")
            .ProducesProblem(404);
        orders
            .MapPost(
                "/{id:long}/release",
                (long id, bool? preview, DecideOrderRequest r, Desk desk, HttpContext context) =>
                    OrderRunner.Decide(
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
                    OrderRunner.Decide(
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
                        OrderRunner.Decide(
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
                    OrderRunner.Decide(
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
                                    : OrderRunner.Deliveries(r.Deliveries, order.Account.Currency, fields);
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
            .Heavy()
            .TakesFile(Bounds.DocumentFile)
            .WithName("importOrders")
            .WithSummary("Orders from a CSV file or a UBL 2.1 Order; with preview=true shows the checks")
            .Accepts<byte[]>("*/*")
            .Produces<OrderFileResult>()
            .ProducesProblem(400);
    }
}
