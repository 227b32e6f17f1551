using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Views that go out by e-mail by themselves.</summary>
internal static class MailedViewEndpoints
{
    internal static void MapMailedViews(this RouteGroupBuilder api)
    {
        var views = api.MapGroup("/mailed-views").WithTags("Insight");
        views
            .MapGet("/", (Desk desk) => desk.Books.Read(All))
            .By(Role.Viewer)
            .WithName("listMailedViews")
            .WithSummary("Views that go out by e-mail by themselves");
        // Who has it sees what the books hold, wherever that is: no smaller authority sends it out.
        views
            .MapPost("/", Add)
            .By(Role.Manager)
            .Heavy()
            .WithName("addMailedView")
            .WithSummary("Lets a view go out by itself; it is made once, so that what is wrong with it is told")
            .ProducesProblem(400);
        views
            .MapPost("/{id:long}/send", Send)
            .By(Role.Manager)
            .WithName("sendMailedView")
            .WithSummary("Puts a view into the outbox now")
            .ProducesProblem(404);
        views
            .MapDelete("/{id:long}", Drop)
            .By(Role.Manager)
            .WithName("dropMailedView")
            .WithSummary("A view does not go out any more")
            .ProducesProblem(404);
    }

    private static IReadOnlyList<MailedViewView> All(SqliteConnection connection) =>
        [.. MailedViewStore.All(connection).Select(MailedViewView.Of)];

    private static IReadOnlyList<MailedViewView> Add(MailedViewRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var report = fields.Choice<MailedReport>("report", request.Report);
        var rhythm = fields.Choice("rhythm", request.Rhythm, (RunRhythm?)RunRhythm.Weekly);
        fields.ThrowIfAny();
        var view = new MailedView(
            request.Name ?? "",
            report,
            MailedView.WithoutDays(request.Query ?? ""),
            request.Format ?? "pdf",
            request.Recipients ?? "",
            new(rhythm, request.Number ?? 1)
        );
        RefusedException.ThrowIfAny(view.Problems());
        desk.Views.File("view", new(view.Report, view.Query, view.Format));
        return desk.Write(
            context,
            tx =>
            {
                MailedViewStore.Add(tx, view);
                return All(tx.Connection);
            }
        );
    }

    private static IReadOnlyList<MailedViewView> Send(long id, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                desk.Outbox.Queue(tx, MailedViewStore.Get(tx.Connection, id).View);
                return All(tx.Connection);
            }
        );

    private static IReadOnlyList<MailedViewView> Drop(long id, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                MailedViewStore.Drop(tx, id);
                return All(tx.Connection);
            }
        );
}
