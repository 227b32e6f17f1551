using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Lines of a statement that settle what was in transit: refunds paid, slips credited.</summary>
internal static class ClearingEndpoints
{
    internal static void MapClearing(this RouteGroupBuilder api)
    {
        var entries = api.MapGroup("/bank/entries/{id:long}").WithTags("Cash");
        entries
            .MapPost("/clear", Clear)
            .By(Role.Controller)
            .WithName("clearBankEntry")
            .WithSummary("Settles the refund that the bank paid, or the slip that it credited")
            .ProducesProblem(400)
            .ProducesProblem(404);
        entries
            .MapPost("/clear/take-back", TakeBack)
            .By(Role.Controller)
            .WithName("takeClearingBack")
            .WithSummary("Takes that back; the line waits again, and so does the refund or the slip")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static UnassignedEffectView Clear(
        long id,
        bool? preview,
        ClearRequest request,
        Desk desk,
        HttpContext context
    )
    {
        if (request.Refund is null == request.Slip is null)
            throw new RefusedException("refund", "Give the refund that the bank paid, or the slip that it credited.");
        var reason = request.Reason ?? "";
        if (preview is true)
            return desk.Books.Read(c =>
                Shown(
                    c,
                    true,
                    0,
                    request.Refund is { } refund
                        ? Cleared.PreviewRefund(c, id, refund, desk.Rules(c))
                        : Cleared.PreviewSlip(
                            c,
                            id,
                            request.Slip!.Value,
                            reason,
                            context.Who().Authority,
                            desk.Rules(c)
                        )
                )
            );
        return desk.Write(
            context,
            tx =>
            {
                var (entry, posting) = request.Refund is { } refund
                    ? Cleared.OfRefund(tx, id, refund)
                    : Cleared.OfSlip(tx, id, request.Slip!.Value, reason);
                return Shown(tx.Connection, false, entry, posting);
            }
        );
    }

    private static TakenBackView TakeBack(long id, ReverseRequest request, Desk desk, HttpContext context) =>
        desk.Write(context, tx => new TakenBackView(Cleared.TakeBack(tx, id, request.Reason ?? "")));

    private static UnassignedEffectView Shown(SqliteConnection connection, bool preview, long entry, Posting posting)
    {
        var settings = CompanyStore.Settings(connection);
        return new(preview, entry, [.. posting.Lines.Select(l => JournalLineView.Of(l, settings, ""))]);
    }
}
