using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Posted documents to be corrected: read again, or amended; with <c>preview=true</c> shown and not stored.</summary>
internal static class AmendmentEndpoints
{
    internal static void MapAmendments(this RouteGroupBuilder api)
    {
        var documents = api.MapGroup("/documents/{id:long}").WithTags("Invoices");
        documents
            .MapGet("", (long id, Desk desk) => desk.Books.Read(c => PostedDocumentView.Of(DocumentStore.Get(c, id))))
            .By(Role.Viewer)
            .WithName("getDocument")
            .WithSummary("An invoice or credit note as it stands, with its lines and its terms")
            .ProducesProblem(404);
        documents
            .MapPost("/amendments", Amend)
            .By(Role.Controller)
            .WithName("amendInvoice")
            .WithSummary("Changes the terms or the discount of a posted invoice from a day on; number and amounts stay")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EffectView Amend(long id, bool? preview, AmendInvoiceRequest request, Desk desk, HttpContext context)
    {
        AmendmentRequest Read(Currency currency, BooksRules rules)
        {
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? rules.Today;
            var discount = DocumentReader.Discount(request.Discount, currency, fields);
            fields.ThrowIfAny();
            return new(
                date,
                string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                discount,
                request.Reason ?? ""
            );
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) =>
                desk.Amendments.Preview(c, id, currency => Read(currency, rules), context.Who().Authority, rules),
            tx => desk.Amendments.Post(tx, id, currency => Read(currency, tx.Rules())),
            (effect, view) => view with { Document = DocumentView.Of(effect.Detail) }
        );
    }
}
