using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Documents that were open before the books began, one by one, and taking one of them back.</summary>
internal static class OpeningItemEndpoints
{
    internal static void MapOpeningItems(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Ledger");
        accounts
            .MapPost(
                "/opening-items",
                (string code, bool? preview, OpeningItemRequest r, Desk desk, HttpContext context) =>
                {
                    string[] Values(SqliteConnection c) =>
                        [
                            AccountStore.Get(c, code).Code,
                            r.Document?.Trim() ?? "",
                            r.Type ?? "",
                            r.Date ?? "",
                            r.Due ?? "",
                            r.Net ?? "",
                            r.Tax ?? "",
                            r.Amount ?? "",
                            r.Open ?? "",
                            r.Terms?.Trim() ?? "",
                            r.Reference?.Trim() ?? "",
                        ];
                    return PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) => OpeningDesk.Preview(c, code, Values(c), context.Who().Authority, rules),
                        tx => OpeningDesk.Post(tx, code, Values(tx.Connection))
                    );
                }
            )
            .By(Role.Controller)
            .WithName("postOpeningItem")
            .WithSummary("Brings in one document that was open before these books began")
            .ProducesProblem(400)
            .ProducesProblem(404);

        api.MapPost(
                "/opening-documents/{id:long}/reverse",
                (long id, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
                    PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) =>
                            ReversalDesk.PreviewOpening(c, id, request.Reason ?? "", context.Who().Authority, rules),
                        tx => ReversalDesk.ReverseOpening(tx, id, request.Reason ?? "")
                    )
            )
            .WithTags("Ledger")
            .By(Role.Controller)
            .WithName("reverseOpeningDocument")
            .WithSummary("Takes back one document that came in with the opening items")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }
}
