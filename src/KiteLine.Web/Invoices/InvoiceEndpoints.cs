using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Invoices; with <c>preview=true</c> shown and not stored.</summary>
internal static class InvoiceEndpoints
{
    internal static void MapInvoices(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Invoices");
        accounts
            .MapPost("/invoices", PostInvoice)
            .By(Role.Controller)
            .WithName("postInvoice")
            .WithSummary("Posts an invoice: of an order, or checked like one")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EffectView PostInvoice(
        string code,
        bool? preview,
        PostInvoiceRequest request,
        Desk desk,
        HttpContext context
    )
    {
        InvoiceRequest Read(Account account, DateOnly today)
        {
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? today;
            var net = fields.Money("net", request.Net, account.Currency);
            var tax = fields.OptionalMoney("tax", request.Tax, account.Currency);
            var notDiscountable = fields.OptionalMoney("notDiscountable", request.NotDiscountable, account.Currency);
            fields.ThrowIfAny();
            return new(
                string.IsNullOrWhiteSpace(request.Number) ? null : request.Number.Trim(),
                date,
                new(net, tax, notDiscountable),
                string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                request.Reference ?? "",
                request.OrderId,
                request.OrderSeq,
                request.Reason ?? ""
            );
        }

        Effect<InvoiceOutcome> Shown(SqliteConnection connection, BooksRules rules)
        {
            var account = AccountStore.Get(connection, code);
            return InvoiceDesk.Preview(connection, account, Read(account, rules.Today), rules);
        }

        Effect<InvoiceOutcome> Posted(Tx tx)
        {
            var account = AccountStore.Get(tx.Connection, code);
            return InvoiceDesk.Post(tx, account, Read(account, tx.BusinessDate()));
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            Shown,
            Posted,
            (effect, view) => view with { Check = effect.Detail.Check is { } check ? CheckView.Of(check) : null }
        );
    }
}
