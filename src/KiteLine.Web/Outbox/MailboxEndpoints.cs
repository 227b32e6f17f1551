using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What arrived at the simulated mail server.</summary>
internal static class MailboxEndpoints
{
    internal static void MapMailbox(this RouteGroupBuilder api)
    {
        var mailbox = api.MapGroup("/mailbox").WithTags("Outbox");
        mailbox
            .MapGet("/", (IMailServer server) => server.Received(MostMail).Select(Row).ToList())
            .By(Role.Controller)
            .WithName("listMail")
            .WithSummary("What arrived at the simulated mail server, the latest first");
        mailbox
            .MapGet("/{name}", Mail)
            .By(Role.Controller)
            .WithName("getMail")
            .WithSummary("An e-mail that arrived there")
            .ProducesProblem(404);
        mailbox
            .MapGet(
                "/{name}/eml",
                (string name, IMailServer server) => Results.File(Received(server, name), "message/rfc822", name)
            )
            .By(Role.Controller)
            .Heavy()
            .WithName("getMailFile")
            .WithSummary("The same as it came over the line")
            .Produces<byte[]>(200, "message/rfc822")
            .ProducesProblem(404);
    }

    private const int MostMail = 200;

    private static byte[] Received(IMailServer server, string name) =>
        server.Get(name) ?? throw new NotThereException("e-mail", name);

    private static MailView Mail(string name, IMailServer server)
    {
        var mail = MailFile.Read(Received(server, name));
        return new(
            name,
            mail.Date.ToString("O"),
            mail.From,
            mail.To,
            mail.Subject,
            mail.Text,
            [.. mail.Files.Select(f => f.Name)]
        );
    }

    private static MailRowView Row(ReceivedMail mail) =>
        new(mail.Name, mail.At.ToString("O"), string.Join("; ", mail.To), mail.Subject, mail.Size);
}
