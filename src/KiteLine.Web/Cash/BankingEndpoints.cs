using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money taken by hand: what waits to be banked, and the slips that it is banked with.</summary>
internal static class BankingEndpoints
{
    internal static void MapBanking(this RouteGroupBuilder api)
    {
        var banking = api.MapGroup("/banking").WithTags("Cash");
        banking
            .MapGet("/receipts", ToBank)
            .By(Role.Viewer)
            .WithName("listToBank")
            .WithSummary("Receipts that were taken by hand and are not banked yet, the oldest first")
            .ProducesProblem(400);
        banking
            .MapGet("/slips", Slips)
            .By(Role.Viewer)
            .WithName("listSlips")
            .WithSummary("Paying-in slips and what the bank credited, the latest first")
            .ProducesProblem(400);
        banking
            .MapPost("/slips", Make)
            .By(Role.Controller)
            .WithName("makeSlip")
            .WithSummary("Puts receipts on one slip; the bank's statement settles it")
            .ProducesProblem(400);
        banking
            .MapGet("/slips/{id:long}", InHand)
            .By(Role.Viewer)
            .WithName("getSlip")
            .WithSummary("A slip with its receipts")
            .ProducesProblem(404);
        banking
            .MapPost("/slips/{id:long}/changes", Change)
            .By(Role.Controller)
            .WithName("changeSlip")
            .WithSummary("Takes receipts off a slip and puts others onto it, until the bank has credited it")
            .ProducesProblem(400)
            .ProducesProblem(404);
        banking
            .MapPost("/slips/{id:long}/replacements", Replace)
            .By(Role.Controller)
            .WithName("replaceOnSlip")
            .WithSummary("Reverses a wrong receipt on a slip and takes the right one in its place, in one step")
            .ProducesProblem(400)
            .ProducesProblem(404);
        banking
            .MapGet("/slips/{id:long}/pdf", Print)
            .By(Role.Viewer)
            .Heavy()
            .WithName("printSlip")
            .WithSummary("A slip as it is printed")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(404);
    }

    private static HandReceiptPage ToBank(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new HandReceiptPage(
            BatchDesk.CountWaiting(c),
            [.. BatchDesk.Waiting(c, (at - 1) * size, size).Select(HandReceiptView.Of)]
        ));
    }

    private static SlipPage Slips(int? page, int? pageSize, Desk desk)
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 50, 1000);
        fields.ThrowIfAny();
        return desk.Books.Read(c => new SlipPage(
            BatchDesk.Count(c),
            [.. BatchDesk.All(c, (at - 1) * size, size).Select(SlipView.Of)]
        ));
    }

    private static SlipInHandView Make(SlipRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var account = fields.Text("account", request.Account, "the bank account that they are paid in to");
        var on = fields.OptionalDate("bankedOn", request.BankedOn);
        fields.ThrowIfAny();
        return desk.Write(
            context,
            tx =>
            {
                var slip = BatchDesk.Make(tx, account, on, request.Receipts ?? []);
                return View(slip, BatchDesk.On(tx.Connection, slip.Id));
            }
        );
    }

    private static SlipInHandView InHand(long id, Desk desk) =>
        desk.Books.Read(c => View(BatchDesk.Get(c, id), BatchDesk.On(c, id)));

    private static SlipInHandView Change(long id, SlipChangeRequest request, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                var slip = SlipDesk.Change(tx, id, request.Off ?? [], request.Onto ?? [], request.Reason ?? "");
                return View(slip, BatchDesk.On(tx.Connection, id));
            }
        );

    private static SlipReplacedView Replace(
        long id,
        bool? preview,
        SlipReplacementRequest request,
        Desk desk,
        HttpContext context
    )
    {
        if (preview is true)
            return desk.Books.Read(c =>
            {
                var settings = CompanyStore.Settings(c);
                var effects = desk.Slips.Preview(c, Read(c), context.Who().Authority, desk.Rules(c));
                return new SlipReplacedView(null, [.. effects.Select(e => View(e, settings))], null, null);
            });
        return desk.Write(
            context,
            tx =>
            {
                var posted = desk.Slips.Replace(tx, Read(tx.Connection));
                return new SlipReplacedView(
                    View(BatchDesk.Get(tx.Connection, id), BatchDesk.On(tx.Connection, id)),
                    [],
                    posted.EntryId,
                    posted.Number
                );
            }
        );

        SlipReplacement Read(Microsoft.Data.Sqlite.SqliteConnection connection)
        {
            var slip = BatchDesk.Get(connection, id);
            var fields = new Fields();
            var account = fields.Text("account", request.Account, "the code of the account");
            var valueDate = fields.OptionalDate("valueDate", request.ValueDate) ?? desk.Rules(connection).Today;
            var cash = fields.Money("cash", request.Cash, slip.Currency);
            if (cash.IsZero)
                fields.Bad("cash", "Give the amount received, above zero.");
            var items = request.Items is null ? null : PaymentChoices.Read(request.Items, fields);
            fields.ThrowIfAny();
            return new(
                id,
                request.Posting,
                account,
                valueDate,
                cash.Amount,
                request.Reference ?? "",
                items,
                request.Reason ?? ""
            );
        }
    }

    private static EffectView View(Effect<Payment?> effect, CompanySettings settings)
    {
        var view = PostingRunner.View(effect, true, settings);
        return effect.Detail is { } payment ? PaymentEffect.With(payment, view) : view;
    }

    private static SlipInHandView View(BankingBatch slip, IReadOnlyList<HandReceipt> receipts) =>
        new(SlipView.Of(slip), [.. receipts.Select(HandReceiptView.Of)]);

    private static IResult Print(long id, Desk desk)
    {
        var printed = desk.Books.Read(c =>
        {
            var slip = BatchDesk.Get(c, id);
            var settings = CompanyStore.Settings(c);
            return new PrintedSlip(
                slip.Number,
                settings.Name,
                settings.Address,
                slip.Account,
                settings.PaymentMethods.FirstOrDefault(m => m.Code == slip.Method)?.Name ?? slip.Method,
                slip.BankedOn,
                Money.FromMinor(slip.Total, slip.Currency),
                [
                    .. BatchDesk
                        .On(c, id)
                        .Select(r => new PrintedSlipLine(
                            r.Number,
                            r.AccountName,
                            r.Reference,
                            Money.FromMinor(r.Amount, r.Currency)
                        )),
                ]
            );
        });
        return Results.File(SlipPdf.Render(printed), "application/pdf");
    }
}
