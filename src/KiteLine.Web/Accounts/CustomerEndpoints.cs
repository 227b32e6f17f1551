using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What belongs to a customer's record and grows over time: the contact log and attached files.</summary>
internal static class CustomerEndpoints
{
    internal static void MapCustomers(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Accounts");
        accounts
            .MapGet(
                "/log",
                (string code, Desk desk) =>
                    desk.Read(code, (connection, account) => ContactLog.Of(connection, account).Select(View).ToList())
            )
            .By(Role.Viewer)
            .WithName("listLog")
            .WithSummary("Calls, letters, e-mails and notes, latest first")
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/log",
                (string code, LogEntryRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            var fields = new Fields();
                            var today = desk.Today(CompanyStore.Settings(tx.Connection));
                            var kind = fields.Choice("kind", request.Kind, (ContactKind?)ContactKind.Note);
                            var on = fields.OptionalDate("on", request.On) ?? today;
                            fields.ThrowIfAny();
                            var account = AccountStore.Get(tx.Connection, code);
                            ContactLog.Add(tx, account, kind, on, request.Contact ?? "", request.Text ?? "", today);
                            return ContactLog.Of(tx.Connection, account).Select(View).ToList();
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("addToLog")
            .WithSummary("Writes down a call, a letter, an e-mail or a note")
            .ProducesProblem(400)
            .ProducesProblem(404);

        accounts
            .MapGet(
                "/attachments",
                (string code, Desk desk) =>
                    desk.Read(
                        code,
                        (connection, account) =>
                            AttachmentStore.Of(connection, account).Select(AttachmentView.Of).ToList()
                    )
            )
            .By(Role.Viewer)
            .WithName("listAttachments")
            .WithSummary("Files kept with the account")
            .ProducesProblem(404);
        accounts
            .MapPost("/attachments", Attach)
            .By(Role.Controller)
            .TakesFile(AttachmentKind.MaxBytes)
            .WithName("attach")
            .WithSummary("Keeps a file: PDF, PNG, JPEG, XLSX, DOCX, CSV or plain text, up to 5 MB")
            .Accepts<byte[]>("*/*")
            .Produces<AttachmentView>()
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/attachments/{id:long}",
                (string code, long id, Desk desk, HttpContext context) =>
                    desk.Read(
                        code,
                        (connection, account) =>
                        {
                            var (file, content) = AttachmentStore.Get(connection, account, id);
                            // Offered for download and never shown as a page of this address, whatever it holds.
                            context.Response.Headers.ContentSecurityPolicy = "sandbox; default-src 'none'";
                            return Results.File(content, file.MediaType, file.Name);
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("getAttachment")
            .WithSummary("A file for download")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/attachments/{id:long}/remove",
                (string code, long id, RemoveRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            var account = AccountStore.Get(tx.Connection, code);
                            AttachmentStore.Remove(tx, account, id, request.Reason ?? "");
                            return AttachmentStore.Of(tx.Connection, account).Select(AttachmentView.Of).ToList();
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("removeAttachment")
            .WithSummary("Takes a file out; that it was there stays in the log of changes")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static LogEntryView View(LogEntry e) => new(e.Id, e.Kind, e.OnDate, e.Contact, e.Text, e.MadeBy, e.MadeAt);

    private static async Task<IResult> Attach(string code, string? name, string? note, Desk desk, HttpContext context)
    {
        var content = await Body.ReadAsync(context.Request, AttachmentKind.MaxBytes, "file");
        return Results.Ok(
            desk.Write(
                context,
                tx =>
                    AttachmentView.Of(
                        AttachmentStore.Add(tx, AccountStore.Get(tx.Connection, code), name ?? "", content, note ?? "")
                    )
            )
        );
    }
}
