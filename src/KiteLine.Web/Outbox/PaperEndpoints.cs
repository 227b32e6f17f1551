using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Messages that go out on paper: printed together, and then marked.</summary>
internal static class PaperEndpoints
{
    internal static void MapPaper(this RouteGroupBuilder api)
    {
        var outbox = api.MapGroup("/outbox").WithTags("Outbox");
        outbox
            .MapGet("/to-print.pdf", ToPrint)
            .By(Role.Viewer)
            .Heavy()
            .WithName("printMessages")
            .WithSummary("Everything that waits to be printed as one PDF, the oldest first, at most 500")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(400);
        outbox
            .MapPost("/printed", Printed)
            .By(Role.Controller)
            .Heavy()
            .WithName("markPrinted")
            .WithSummary("Says that messages were printed")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static IResult ToPrint(Desk desk)
    {
        var letters = desk.Books.Read(c =>
            OutboxStore
                .Oldest(c, MessageState.ToPrint, PrintedRequest.Most)
                .Select(m => desk.Messages.Files(c, m)[0].Content)
                .ToList()
        );
        if (letters.Count == 0)
            throw new RefusedException("state", "Nothing waits to be printed.");
        return Results.File(PdfMerging.Of(letters), "application/pdf");
    }

    private static PrintedAnswer Printed(PrintedRequest request, Desk desk, HttpContext context)
    {
        if (request.Messages is not { Count: > 0 } messages)
            throw new RefusedException("messages", "Give the messages that were printed.");
        // Made before anything is written: others do not wait for it.
        var made = desk.Books.Read(c =>
            messages.Distinct().Select(id => (Id: id, Files: desk.Messages.Files(c, OutboxStore.Get(c, id)))).ToList()
        );
        return desk.Write(
            context,
            tx =>
            {
                foreach (var (id, files) in made)
                    OutboxDesk.Print(tx, id, files);
                return new PrintedAnswer(made.Count);
            }
        );
    }
}
