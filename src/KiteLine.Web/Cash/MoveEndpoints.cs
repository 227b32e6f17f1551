using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Receipts moved to other accounts; with <c>preview=true</c> shown and not stored.</summary>
internal static class MoveEndpoints
{
    internal static void MapMoves(this RouteGroupBuilder api) =>
        api.MapPost("/receipts/{entry:long}/move", Move)
            .WithTags("Cash")
            .By(Role.Controller)
            .WithName("moveReceipt")
            .WithSummary("Moves a receipt, or a part of it, to another account; the bank is left alone")
            .ProducesProblem(400)
            .ProducesProblem(404);

    private static MovedReceiptView Move(
        long entry,
        bool? preview,
        MoveReceiptRequest request,
        Desk desk,
        HttpContext context
    )
    {
        var move = Read(request);
        return preview is true
            ? desk.Books.Read(c =>
                View(desk.Moves.Preview(c, entry, move, context.Who().Authority, desk.Rules(c)), true, c)
            )
            : desk.Write(context, tx => View(desk.Moves.Post(tx, entry, move), false, tx.Connection));
    }

    private static MovedReceiptView View(MovedReceipt moved, bool preview, SqliteConnection connection)
    {
        var settings = CompanyStore.Settings(connection);
        return new(
            moved.Amount,
            moved.Free,
            moved.Most,
            PostingRunner.View(moved.From, preview, settings),
            moved.To is { } to ? PaymentEffect.With(to, PostingRunner.View(to, preview, settings)) : null
        );
    }

    private static MoveRequest Read(MoveReceiptRequest request)
    {
        var fields = new Fields();
        var items = request.Items is null ? null : PaymentChoices.Read(request.Items, fields);
        fields.ThrowIfAny();
        var reason = request.Reason ?? "";
        return new(
            Amount,
            string.IsNullOrWhiteSpace(request.Account)
                ? null
                : new(request.Account.Trim(), items, reason, request.Learn ?? true),
            reason
        );

        Money? Amount(Currency currency)
        {
            if (string.IsNullOrWhiteSpace(request.Amount))
                return null;
            var of = new Fields();
            var amount = of.Money("amount", request.Amount, currency);
            of.ThrowIfAny();
            return amount;
        }
    }
}
