using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Sends what waits in the outbox, behind whatever is written.</summary>
internal sealed class Sending(Desk desk, MailRoutes routes) : Worker(desk.Books)
{
    // How long a mail server may take for an answer.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    private readonly UntoldOutcome _untold = new();

    protected override string Subject => "The sending of messages";

    // What is to be tried again is looked for as often, without a call.
    protected override TimeSpan Look => TimeSpan.FromSeconds(20);

    // Postings often come one after the other: they are looked through together.
    protected override TimeSpan Gathering => TimeSpan.FromMilliseconds(250);

    protected override void Begin() => OutboxSending.AfterStart(desk.Books);

    protected override void Work(CancellationToken stop)
    {
        desk.MailedViews.Look();
        // Without a mail server everything waits as it is.
        if (
            !(_untold.Any || OutboxSending.HasDue(desk.Books))
            || routes.Of(desk.Books.Read(CompanyStore.Settings)) is not { } route
        )
            return;
        var mailer = new SmtpMailer(Patience);
        var sending = new OutboxSending(desk.Books, desk.Messages.Files, m => mailer.Send(m, route, stop), _untold);
        while (!stop.IsCancellationRequested && sending.Next()) { }
    }
}
