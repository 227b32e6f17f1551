using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>The outbox: what goes out to customers, how far it has come, and what is decided about it.</summary>
internal static class OutboxEndpoints
{
    internal static void MapOutbox(this RouteGroupBuilder api)
    {
        var outbox = api.MapGroup("/outbox").WithTags("Outbox");
        outbox
            .MapPost("/", Send)
            .By(Role.Controller)
            .Heavy()
            .WithName("sendMessage")
            .WithSummary("Puts a document, a receipt or a reminder into the outbox; with preview=true it is only shown")
            .ProducesProblem(400)
            .ProducesProblem(404);
        outbox
            .MapGet("/", List)
            .By(Role.Viewer)
            .WithName("listMessages")
            .WithSummary("Messages, the latest first; state is waiting, print, held, failed, sent or withdrawn")
            .ProducesProblem(400)
            .ProducesProblem(404);
        outbox
            .MapGet("/{id:long}", One)
            .By(Role.Viewer)
            .WithName("getMessage")
            .WithSummary("A message with what it says and what happened to it")
            .ProducesProblem(404);
        outbox
            .MapGet("/{id:long}/pdf", Shown)
            .By(Role.Viewer)
            .Heavy()
            .WithName("showMessage")
            .WithSummary("What a message brings, as it went out or as it would go out now")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(400)
            .ProducesProblem(404);
        outbox
            .MapGet("/{id:long}/files/{file:long}", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getMessageFile")
            .WithSummary("A file that a message brought")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(404);
        outbox
            .MapPost("/{id:long}/act", Act)
            .By(Role.Controller)
            .WithName("decideMessage")
            .WithSummary("Holds a message back, releases, withdraws or tries it again, or says that it arrived")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static readonly Dictionary<string, MessageState[]> States = new(StringComparer.Ordinal)
    {
        ["waiting"] = [MessageState.Waiting, MessageState.Sending],
        ["print"] = [MessageState.ToPrint],
        ["held"] = [MessageState.Held],
        ["failed"] = [MessageState.Failed, MessageState.Unsure],
        ["sent"] = [MessageState.Sent, MessageState.Printed],
        ["withdrawn"] = [MessageState.Withdrawn],
    };

    private static DraftView Send(bool? preview, SendRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var delivery = string.IsNullOrWhiteSpace(request.Delivery)
            ? (Delivery?)null
            : fields.Choice<Delivery>("delivery", request.Delivery);
        fields.ThrowIfAny();
        if (preview is true)
            return desk.Books.Read(c =>
            {
                var about = desk.Messages.Of(c, request);
                var way = MessageSource.Way(about, delivery, request.Recipients);
                var draft = desk.Outbox.Draft(c, about.Account, about.Subject, way);
                return new DraftView(
                    null,
                    about.Subject.Number,
                    way.Delivery,
                    string.Join("; ", way.To),
                    draft.Subject,
                    draft.Body
                );
            });
        return desk.Write(
            context,
            tx =>
            {
                var about = desk.Messages.Of(tx.Connection, request);
                var id = desk.Messages.Queue(tx, about, delivery, request.Recipients);
                var stored = OutboxStore.Get(tx.Connection, id);
                return new DraftView(
                    id,
                    stored.Number,
                    stored.Delivery,
                    stored.Recipients,
                    stored.Subject,
                    stored.Body
                );
            }
        );
    }

    private static MessagePage List(
        string? state,
        string? account,
        int? page,
        int? pageSize,
        Desk desk,
        MailRoutes routes
    )
    {
        var fields = new Fields();
        var (at, size) = fields.Page(page, pageSize, 100, 500);
        MessageState[] states = [];
        if (state is { Length: > 0 } && !States.TryGetValue(state, out states!))
            fields.Bad("state", $"Choose one of {string.Join(", ", States.Keys)}.");
        fields.ThrowIfAny();
        return desk.Books.Read(c =>
        {
            var of = string.IsNullOrWhiteSpace(account) ? null : AccountStore.Get(c, account);
            var counts = OutboxStore.Waiting(c);
            long Count(params MessageState[] which) => which.Sum(s => counts.GetValueOrDefault(s));
            return new MessagePage(
                OutboxStore.Count(c, states, of),
                Count(MessageState.Waiting, MessageState.Sending),
                Count(MessageState.ToPrint),
                Count(MessageState.Failed, MessageState.Unsure),
                routes.NameOf(CompanyStore.Settings(c)),
                [.. OutboxStore.Page(c, states, of, (at - 1) * size, size).Select(MessageRowView.Of)]
            );
        });
    }

    private static MessageView One(long id, Desk desk) => desk.Books.Read(c => View(c, id));

    private static MessageView View(SqliteConnection connection, long id)
    {
        var message = OutboxStore.Get(connection, id);
        return new(
            MessageRowView.Of(message),
            message.Subject,
            message.Body,
            message.MessageId,
            message.MadeBy,
            message.MadeAt,
            message.Tries,
            MessageRule.Possible(message.State),
            [
                .. OutboxStore
                    .Steps(connection, id)
                    .Select(s => new MessageStepView(s.State, s.Detail, s.MadeBy, s.MadeAt)),
            ],
            [.. OutboxStore.Files(connection, id).Select(f => new MessageFileView(f.Id, f.Name, f.MediaType, f.Size))]
        );
    }

    private static IResult Shown(long id, Desk desk) =>
        desk.Books.Read(c =>
        {
            var message = OutboxStore.Get(c, id);
            var files = OutboxStore.Contents(c, id) is { Count: > 0 } kept ? kept : desk.Messages.Files(c, message);
            return Results.File(files[0].Content, files[0].MediaType);
        });

    private static IResult File(long id, long file, Desk desk) =>
        desk.Books.Read(c =>
        {
            var files = OutboxStore.Files(c, id).ToList();
            var at = files.FindIndex(f => f.Id == file);
            if (at < 0)
                throw new NotThereException("file", $"{file}");
            var content = OutboxStore.Contents(c, id)[at];
            return Results.File(content.Content, content.MediaType, content.Name);
        });

    private static MessageView Act(long id, ActRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var act = fields.Choice<MessageAct>("act", request.Act);
        fields.ThrowIfAny();
        // Made before anything is written: others do not wait for it.
        var printed =
            act == MessageAct.Printed ? desk.Books.Read(c => desk.Messages.Files(c, OutboxStore.Get(c, id))) : null;
        return desk.Write(
            context,
            tx =>
            {
                if (printed is not null)
                    OutboxDesk.Print(tx, id, printed);
                else
                    OutboxDesk.Do(tx, id, act, request.Reason ?? "");
                return View(tx.Connection, id);
            }
        );
    }
}
