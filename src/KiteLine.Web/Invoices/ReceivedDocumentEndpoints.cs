using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Electronic invoices and credit notes that another system wrote, brought in one by one.</summary>
internal static class ReceivedDocumentEndpoints
{
    // Who reads more than these reads none.
    private const int MostTold = 50;

    internal static void MapReceivedDocuments(this RouteGroupBuilder api) =>
        api.MapPost("/documents/file", Take)
            .WithTags("Invoices")
            .By(Role.Controller)
            .Heavy()
            .TakesFile(Bounds.DocumentFile)
            .WithName("takeDocument")
            .WithSummary(
                "Brings in a UBL 2.1 invoice or credit note (EN 16931); with preview=true it is only looked at"
            )
            .Accepts<byte[]>("*/*")
            .Produces<ReceivedDocumentView>()
            .ProducesProblem(400);

    private static async Task<IResult> Take(bool? preview, string? reason, Desk desk, HttpContext context)
    {
        var stated = UblInvoice.Read(await Body.ReadAsync(context.Request, Bounds.DocumentFile, "file"));
        if (preview is true)
            return Results.Ok(desk.Books.Read(c => Look(c, stated, desk, context.Who().Authority)));
        return Results.Ok(
            desk.Write(
                context,
                tx =>
                {
                    var seen = Reader(tx.Connection, desk).Read(stated);
                    // What it says is wrong with it is what is wrong with the file.
                    if (seen.Decision is not { } decision)
                        throw new RefusedException([
                            .. seen.Problems.Take(MostTold).Select(p => new FieldProblem("file", p)),
                        ]);
                    var effect = ReceivedDocumentDesk.Post(tx, decision, reason ?? "");
                    return View(seen, effect, false, tx.Connection);
                }
            )
        );
    }

    private static ReceivedDocumentView Look(
        SqliteConnection connection,
        StatedDocument stated,
        Desk desk,
        Authority authority
    )
    {
        var seen = Reader(connection, desk).Read(stated);
        if (seen.Decision is not { } decision)
            return new(DocumentEntry.Of(seen, ""), null);
        try
        {
            var effect = ReceivedDocumentDesk.Preview(connection, decision, authority, desk.Rules(connection));
            return View(seen, effect, true, connection);
        }
        catch (RefusedException e)
        {
            return new(DocumentEntry.Of(seen, "") with { Problems = [.. e.Problems.Select(p => p.Message)] }, null);
        }
    }

    private static ReceivedDocumentReader Reader(SqliteConnection connection, Desk desk) =>
        new(connection, desk.Items, desk.Rules(connection));

    private static ReceivedDocumentView View(
        ReceivedDocumentReader.Seen seen,
        Effect<CreditCheck?> effect,
        bool preview,
        SqliteConnection connection
    )
    {
        var view = PostingRunner.View(effect, preview, CompanyStore.Settings(connection));
        return new(
            DocumentEntry.Of(seen, "", effect.Warnings),
            effect.Detail is { } check ? view with { Check = CheckView.Of(check) } : view,
            InvoiceDecision.LetsGo(effect.Detail),
            InvoiceDecision.NeedsReason(effect.Detail)
        );
    }
}
