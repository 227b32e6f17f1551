using KiteLine.Core;
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
    }

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
            tx => desk.Receipts.Take(tx, code, Read(tx.Connection, code, request)),
            (effect, view) =>
                view with
                {
                    OnAccount = effect.Detail.OnAccount,
                    Total = effect.Detail.Cash,
                    Payment =
                    [
                        .. effect.Detail.Lines.Select(l => new PaymentLineView(
                            l.Item.Id,
                            l.Item.Document,
                            l.Open,
                            l.Settlement.Cash,
                            l.Settlement.Discount,
                            l.Settlement.WriteOff,
                            l.Settlement.StaysOpen,
                            l.Offered is null ? null : l.Offered.Amount,
                            [.. l.Settlement.Findings.Select(Finding)]
                        )),
                    ],
                }
        );

    private static PaymentRequest Read(SqliteConnection connection, string code, TakePaymentRequest request)
    {
        var fields = new Fields();
        var valueDate = fields.Date("valueDate", request.ValueDate);
        var cash = fields.Money("cash", request.Cash, AccountStore.Get(connection, code).Currency);
        if (cash.IsZero)
            fields.Bad("cash", "Give the amount received, above zero.");
        var choices = new Dictionary<long, PaymentChoice>();
        foreach (var (item, i) in (request.Items ?? []).Select((x, i) => (x, i)))
        {
            var choice = new PaymentChoice(
                fields.Choice($"items[{i}].discount", item.Discount, (DiscountChoice?)DiscountChoice.Proposed),
                item.WriteOff switch
                {
                    true => WriteOffChoice.Whole,
                    false => WriteOffChoice.Refuse,
                    null => WriteOffChoice.Proposed,
                },
                fields.OptionalDate($"items[{i}].step", item.Step)
            );
            if (!choices.TryAdd(item.Id, choice))
                fields.Bad($"items[{i}].id", "Each item is chosen once.");
        }

        fields.ThrowIfAny();
        return new(
            valueDate,
            cash.Amount,
            request.Reference ?? "",
            choices,
            request.Reason ?? "",
            request.Method?.Trim() ?? ""
        );
    }

    private static FindingView Finding(ReceiptFinding finding) =>
        new(
            finding.Code,
            finding switch
            {
                ReceiptFinding.DiscountUnearned(var days, var amount, _) =>
                    $"The shortfall is the discount of {amount}, taken {days} {(days == 1 ? "day" : "days")} late; "
                        + $"it stays open unless you allow it",
                ReceiptFinding.Short(var amount) => $"Short by {amount}; it stays open",
                ReceiptFinding.Over(var amount) => $"{amount} more than is needed",
                ReceiptFinding.DiscountPartlyTaken(var rest) =>
                    $"Only what was deducted is taken; {rest} more was open, which the customer may still ask for",
                ReceiptFinding.DiscountNotTaken(var amount) =>
                    $"A discount of {amount} was open and not taken; you may grant it",
                _ => finding.Code,
            }
        );
}
