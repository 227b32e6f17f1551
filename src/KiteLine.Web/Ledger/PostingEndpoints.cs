using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What was posted, of whatever kind: lists, journals and reversals.</summary>
internal static class PostingEndpoints
{
    internal static void MapPostings(this RouteGroupBuilder api)
    {
        var postings = api.MapGroup("/postings").WithTags("Ledger");
        postings
            .MapGet(
                "/",
                (string? kind, int? page, int? pageSize, Desk desk) =>
                {
                    var fields = new Fields();
                    var chosen = fields.Choice("kind", kind, (PostingKind?)PostingKind.Receipt);
                    var (at, size) = fields.Page(page, pageSize, 50, 1000);
                    fields.ThrowIfAny();
                    var (total, rows) = desk.Books.Read(connection =>
                        LedgerView.OfKind(connection, chosen, (at - 1) * size, size)
                    );
                    return new LedgerPage(total, [.. rows.Select(r => LedgerRowView.Of(r, null))]);
                }
            )
            .By(Role.Viewer)
            .WithName("listPostings")
            .WithSummary("The latest postings of one kind")
            .ProducesProblem(400);
        postings
            .MapGet(
                "/{entry:long}/journal",
                (long entry, long? openingDocument, Desk desk) =>
                    desk.Books.Read(connection =>
                        LedgerView
                            .Journal(connection, entry, openingDocument)
                            .Select(l => JournalLineView.Of(l, CompanyStore.Settings(connection), ""))
                            .ToList()
                    )
            )
            .By(Role.Viewer)
            .WithName("getJournal")
            .WithSummary("The journal of a posting, or of one opening document in it")
            .ProducesProblem(404);
        postings
            .MapPost("/{entry:long}/reverse", Reverse)
            .By(Role.Controller)
            .WithName("reversePosting")
            .WithSummary("Undoes a posting by a reversal")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EffectView Reverse(
        long entry,
        bool? preview,
        ReverseRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) =>
                ReversalDesk.Preview(
                    c,
                    entry,
                    request.Reason ?? "",
                    context.Who().Authority,
                    rules,
                    BankFee.Of(request.BankFee)
                ),
            tx => ReversalDesk.Reverse(tx, entry, request.Reason ?? "", BankFee.Of(request.BankFee))
        );
}
