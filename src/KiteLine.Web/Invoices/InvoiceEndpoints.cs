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
        accounts
            .MapPost("/credit-notes", PostCreditNote)
            .By(Role.Controller)
            .WithName("postCreditNote")
            .WithSummary("Posts a credit note, set against the invoice that it names or against chosen items")
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
        InvoiceRequest Read(Account account, BooksRules rules)
        {
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? rules.Today;
            var lines = DocumentReader.Lines(
                request.Lines,
                account.Currency,
                account.TaxCodeOn(date),
                rules.Rounding,
                fields
            );
            var amounts = DocumentReader.Totals(
                request.Net,
                request.Tax,
                request.NotDiscountable,
                lines.Count > 0,
                account.Currency,
                fields
            );
            var discount = DocumentReader.Discount(request.Discount, account.Currency, fields);
            fields.ThrowIfAny();
            return new(
                string.IsNullOrWhiteSpace(request.Number) ? null : request.Number.Trim(),
                date,
                amounts,
                string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                request.Reference ?? "",
                request.OrderId,
                request.OrderSeq,
                request.Reason ?? ""
            )
            {
                Lines = lines,
                OneOff = discount,
                Replaces = request.Replaces,
            };
        }

        Effect<InvoiceOutcome> Shown(SqliteConnection connection, BooksRules rules)
        {
            var account = AccountStore.Get(connection, code);
            return InvoiceDesk.Preview(connection, account, Read(account, rules), context.Who().Authority, rules);
        }

        Effect<InvoiceOutcome> Posted(Tx tx)
        {
            var account = AccountStore.Get(tx.Connection, code);
            var effect = InvoiceDesk.Post(tx, account, Read(account, tx.Rules()));
            if (request.Send is true)
                desk.Messages.Send(tx, effect.EntryId);
            return effect;
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            Shown,
            Posted,
            (effect, view) =>
                view with
                {
                    Check = effect.Detail.Check is { } check ? CheckView.Of(check) : null,
                    Document = DocumentView.Of(effect.Detail),
                }
        );
    }

    private static EffectView PostCreditNote(
        string code,
        bool? preview,
        PostCreditNoteRequest request,
        Desk desk,
        HttpContext context
    )
    {
        CreditNoteRequest Read(Account account, BooksRules rules)
        {
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? rules.Today;
            var lines = DocumentReader.Lines(
                request.Lines,
                account.Currency,
                account.TaxCodeOn(date),
                rules.Rounding,
                fields
            );
            var amounts = DocumentReader.Totals(
                request.Net,
                request.Tax,
                null,
                lines.Count > 0,
                account.Currency,
                fields
            );
            var settles = Settles(request.Settles, account.Currency, fields);
            fields.ThrowIfAny();
            return new(
                string.IsNullOrWhiteSpace(request.Number) ? null : request.Number.Trim(),
                date,
                amounts,
                string.IsNullOrWhiteSpace(request.Invoice) ? null : request.Invoice.Trim(),
                request.Reference ?? "",
                settles,
                request.Reason ?? ""
            )
            {
                Lines = lines,
            };
        }

        Effect<CreditNoteDecision> Shown(SqliteConnection connection, BooksRules rules)
        {
            var account = AccountStore.Get(connection, code);
            return desk.CreditNotes.Preview(connection, account, Read(account, rules), context.Who().Authority, rules);
        }

        Effect<CreditNoteDecision> Posted(Tx tx)
        {
            var account = AccountStore.Get(tx.Connection, code);
            var effect = desk.CreditNotes.Post(tx, account, Read(account, tx.Rules()));
            if (request.Send is true)
                desk.Messages.Send(tx, effect.EntryId);
            return effect;
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            Shown,
            Posted,
            (effect, view) =>
                view with
                {
                    OnAccount = effect.Detail.OnAccount,
                    Document = DocumentView.Of(effect.Detail),
                }
        );
    }

    private static Dictionary<long, Money>? Settles(
        IReadOnlyList<CreditedItemShape>? settles,
        Currency currency,
        Fields fields
    )
    {
        if (settles is null)
            return null;
        var amounts = new Dictionary<long, Money>();
        for (var i = 0; i < settles.Count; i++)
            if (!amounts.TryAdd(settles[i].Item, fields.Money($"settles[{i}].amount", settles[i].Amount, currency)))
                fields.Bad($"settles[{i}].item", "This item stands in the list twice; give one amount for it.");
        return amounts;
    }
}
