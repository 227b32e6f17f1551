using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Receipts whose payer is not known: listed, assigned to an account, taken back.</summary>
internal static class UnassignedEndpoints
{
    internal static void MapUnassignedReceipts(this RouteGroupBuilder api)
    {
        var receipts = api.MapGroup("/unassigned-receipts").WithTags("Cash");
        receipts
            .MapGet("/", List)
            .By(Role.Viewer)
            .WithName("listUnassigned")
            .WithSummary("Receipts that nobody is assigned to, the oldest first")
            .ProducesProblem(400);
        receipts
            .MapGet("/{id:long}", InHand)
            .By(Role.Viewer)
            .WithName("getUnassigned")
            .WithSummary(
                "A receipt without an account, with what it could settle on the account recognised or another one"
            )
            .ProducesProblem(400)
            .ProducesProblem(404);
        receipts
            .MapPost("/{id:long}/assign", Assign)
            .By(Role.Controller)
            .WithName("assignReceipt")
            .WithSummary("Assigns a receipt to an account, as proposed or with chosen items")
            .ProducesProblem(400)
            .ProducesProblem(404);
        receipts
            .MapPost("/{id:long}/take-back", TakeBack)
            .By(Role.Controller)
            .WithName("takeUnassignedBack")
            .WithSummary("Reverses a receipt that nobody was assigned to; its line on the statement waits again")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static UnassignedPage List(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new UnassignedPage(
            UnassignedDesk.Count(c),
            [.. UnassignedDesk.All(c, (at - 1) * size, size).Select(UnassignedReceiptView.Of)]
        ));
    }

    private static UnassignedInHandView InHand(long id, string? account, Desk desk) =>
        desk.Books.Read(c =>
        {
            var receipt = UnassignedDesk.Get(c, id);
            return new UnassignedInHandView(
                UnassignedReceiptView.Of(receipt),
                PlacingReader.Read(c, desk, receipt.Money, UnassignedDesk.PayerOf(c, receipt), account)
            );
        });

    private static EffectView Assign(long id, bool? preview, PlaceEntryRequest request, Desk desk, HttpContext context)
    {
        var placement = PaymentChoices.Read(request);
        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Unassigned.Preview(c, id, placement, context.Who().Authority, rules),
            tx => desk.Unassigned.Assign(tx, id, placement),
            PaymentEffect.With
        );
    }

    private static TakenBackView TakeBack(long id, ReverseRequest request, Desk desk, HttpContext context) =>
        desk.Write(context, tx => new TakenBackView(UnassignedDesk.TakeBack(tx, id, request.Reason ?? "")));
}
