using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The history of an account by document and by line, and its documents as they are printed.</summary>
internal static class DocumentEndpoints
{
    // A file has all of them.
    private const int All = int.MaxValue;

    internal static void MapDocuments(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Invoices");
        accounts
            .MapGet("/documents", ByDocument)
            .By(Role.Viewer)
            .WithName("listDocuments")
            .WithSummary("Invoices and credit notes of a period, with what they add up to")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet("/document-lines", ByLine)
            .By(Role.Viewer)
            .WithName("listDocumentLines")
            .WithSummary("The same line by line, taxes apart; they add up to the same")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet("/document-export", Export)
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportDocuments")
            .WithSummary("Invoices and credit notes of a period as CSV or XLSX, by document or by line")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
        api.MapGet("/documents/{id:long}/pdf", Print)
            .WithTags("Invoices")
            .By(Role.Viewer)
            .Heavy()
            .WithName("printDocument")
            .WithSummary("An invoice or credit note as it is printed")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(404);
        api.MapGet("/documents/{id:long}/ubl", Electronic)
            .WithTags("Invoices")
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportDocument")
            .WithSummary("An invoice or credit note as UBL 2.1")
            .Produces<byte[]>(200, "application/xml")
            .ProducesProblem(404);
    }

    private static DocumentPage ByDocument(
        string code,
        string? from,
        string? to,
        int? page,
        int? pageSize,
        Desk desk
    ) =>
        desk.Books.Read(c =>
        {
            var p = DocumentPeriod.Read(c, code, from, to, desk.Today(), page, pageSize);
            var (count, net, tax) = DocumentHistory.Totals(c, p.Account, p.From, p.To);
            return new DocumentPage(
                count,
                p.Amount(net),
                p.Amount(tax),
                p.Amount(net + tax),
                [
                    .. DocumentHistory
                        .ByDocument(c, p.Account, p.From, p.To, p.Skip, p.Size)
                        .Select(r => DocumentRowView.Of(r, p.Account.Currency)),
                ]
            );
        });

    private static DocumentLinePage ByLine(
        string code,
        string? from,
        string? to,
        int? page,
        int? pageSize,
        Desk desk
    ) =>
        desk.Books.Read(c =>
        {
            var p = DocumentPeriod.Read(c, code, from, to, desk.Today(), page, pageSize);
            var (count, net, tax) = DocumentHistory.LineTotals(c, p.Account, p.From, p.To);
            return new DocumentLinePage(
                count,
                p.Amount(net),
                p.Amount(tax),
                p.Amount(net + tax),
                [
                    .. DocumentHistory
                        .ByLine(c, p.Account, p.From, p.To, p.Skip, p.Size)
                        .Select(r => DocumentLineRowView.Of(r, p.Account.Currency)),
                ]
            );
        });

    private static IResult Export(string code, string? format, string? by, string? from, string? to, Desk desk) =>
        desk.Books.Read(c =>
        {
            var p = DocumentPeriod.Read(c, code, from, to, desk.Today());
            var name = $"{p.Account.Code}-{p.From:yyyy-MM-dd}-{p.To:yyyy-MM-dd}";
            decimal Amount(long minor) => p.Amount(minor).Amount;
            return by switch
            {
                null or "document" => Tables.File(
                    format,
                    ["Document", "Kind", "Date", "Reference", "Credits", "Net", "Tax", "Gross", "Open", "Amended"],
                    DocumentHistory
                        .ByDocument(c, p.Account, p.From, p.To, 0, All)
                        .Select(r =>
                            (IReadOnlyList<object?>)
                                [
                                    r.Number,
                                    InvoicePdf.Name(r.Kind),
                                    r.Date.ToString("O"),
                                    r.Reference,
                                    r.Credits,
                                    Amount(r.Net),
                                    Amount(r.Tax),
                                    Amount(r.Net + r.Tax),
                                    Amount(r.Open),
                                    r.AmendedOn?.ToString("O") ?? "",
                                ]
                        ),
                    "Documents",
                    $"documents-{name}"
                ),
                "line" => Tables.File(
                    format,
                    ["Document", "Kind", "Date", "Text", "Quantity", "Unit price", "Tax code", "Net", "Tax", "Gross"],
                    DocumentHistory
                        .ByLine(c, p.Account, p.From, p.To, 0, All)
                        .Select(r =>
                            (IReadOnlyList<object?>)
                                [
                                    r.Number,
                                    InvoicePdf.Name(r.Kind),
                                    r.Date.ToString("O"),
                                    r.Text,
                                    r.Quantity,
                                    r.UnitPrice,
                                    r.TaxCode,
                                    Amount(r.Net),
                                    Amount(r.Tax),
                                    Amount(r.Net + r.Tax),
                                ]
                        ),
                    "Lines",
                    $"lines-{name}"
                ),
                _ => throw new RefusedException("by", "Choose document or line."),
            };
        });

    private static IResult Print(long id, Desk desk)
    {
        var printed = desk.Books.Read(c => DocumentPrinter.Of(c, DocumentStore.Get(c, id), desk));
        return Results.File(InvoicePdf.Render(printed), "application/pdf");
    }

    private static IResult Electronic(long id, Desk desk) =>
        desk.Books.Read(c =>
        {
            var stored = DocumentStore.Get(c, id);
            return Results.File(
                UblWriter.Write(DocumentPrinter.Of(c, stored, desk)),
                "application/xml",
                $"{stored.Number}.xml"
            );
        });
}
