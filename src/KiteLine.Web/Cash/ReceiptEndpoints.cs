using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Payments that are taken on an account; with <c>preview=true</c> shown and not stored.</summary>
internal static class ReceiptEndpoints
{
    internal static void MapReceipts(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Cash");
        accounts
            .MapPost("/receipts", TakePayment)
            .By(Role.Controller)
            .WithName("takePayment")
            .WithSummary("Takes a payment for chosen items")
            .ProducesProblem(400);
        accounts
            .MapPost("/receipts/proposal", Propose)
            .By(Role.Viewer)
            .WithName("proposePayment")
            .WithSummary("Which items an amount would settle, and what chosen items need; nothing is stored")
            .ProducesProblem(400);
        api.MapGet("/receipts/{entry:long}/pdf", Print)
            .WithTags("Cash")
            .By(Role.Viewer)
            .Heavy()
            .WithName("printReceipt")
            .WithSummary("A receipt as it is printed: what was paid, what it settled, what remains")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(404);
    }

    private static IResult Print(long entry, Desk desk)
    {
        var printed = desk.Books.Read(c => ReceiptPrinter.Of(c, entry, desk));
        return Results.File(ReceiptPdf.Render(printed), "application/pdf");
    }

    private static PaymentProposalView Propose(string code, ProposePaymentRequest request, Desk desk) =>
        desk.Books.Read(c =>
        {
            var account = AccountStore.Get(c, code);
            var fields = new Fields();
            var valueDate = fields.Date("valueDate", request.ValueDate);
            var cash = fields.OptionalMoney("cash", request.Cash, account.Currency);
            fields.ThrowIfAny();
            return PaymentProposalView.Of(
                desk.Receipts.Propose(
                    c,
                    account,
                    cash.IsZero ? null : cash,
                    valueDate,
                    request.Text ?? "",
                    request.Items ?? [],
                    desk.Rules(c)
                )
            );
        });

    private static EffectView TakePayment(
        string code,
        bool? preview,
        TakePaymentRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Receipts.Preview(c, code, Read(c, code, request), context.Who().Authority, rules),
            tx =>
            {
                var effect = desk.Receipts.Take(tx, code, Read(tx.Connection, code, request));
                if (request.Send is true)
                    desk.Messages.SendReceipt(tx, effect.EntryId);
                return effect;
            },
            PaymentEffect.With
        );

    private static PaymentRequest Read(SqliteConnection connection, string code, TakePaymentRequest request)
    {
        var fields = new Fields();
        var valueDate = fields.Date("valueDate", request.ValueDate);
        var cash = fields.Money("cash", request.Cash, AccountStore.Get(connection, code).Currency);
        if (cash.IsZero)
            fields.Bad("cash", "Give the amount received, above zero.");
        var choices = PaymentChoices.Read(request.Items, fields);
        fields.ThrowIfAny();
        return new(
            valueDate,
            cash.Amount,
            request.Reference ?? "",
            choices,
            request.Reason ?? "",
            request.Method?.Trim() ?? "",
            request.Filled ?? false,
            request.KeepOver ?? false
        );
    }
}
