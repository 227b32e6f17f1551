using System.Threading.Channels;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>Sends what waits in the outbox, behind whatever is written.</summary>
internal sealed class Sending(Desk desk, MailRoutes routes) : BackgroundService
{
    // How long a mail server may take for an answer.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    // What is to be tried again is looked for as often, without a call.
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(20);

    // Postings often come one after the other: they are looked through together.
    private static readonly TimeSpan Gathering = TimeSpan.FromMilliseconds(250);

    private readonly Channel<bool> _calls = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    private readonly UntoldOutcome _untold = new();

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Call;
        try
        {
            await Task.Run(AfterStart, stoppingToken);
            _calls.Writer.TryWrite(true);
            while (!stoppingToken.IsCancellationRequested)
            {
                using var look = CancellationTokenSource.CreateLinkedTokenSource(stoppingToken);
                look.CancelAfter(Look);
                try
                {
                    await _calls.Reader.ReadAsync(look.Token);
                }
                catch (OperationCanceledException) when (!stoppingToken.IsCancellationRequested)
                {
                    // Nobody called; something may be due all the same.
                }

                await Task.Delay(Gathering, stoppingToken);
                await Task.Run(() => Work(stoppingToken), stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; what is left waits in the outbox.
        }
        finally
        {
            desk.Books.Committed -= Call;
        }
    }

    private void AfterStart()
    {
        try
        {
            OutboxSending.AfterStart(desk.Books);
        }
        catch (Exception e) when (e is SqliteException or ObjectDisposedException)
        {
            Log.Warning(e, "Looking through the outbox after the start waits");
        }
    }

    private void Work(CancellationToken stop)
    {
        try
        {
            foreach (var (name, why) in desk.MailedViews.Look())
                Log.Warning("The view {Name} does not go out: {Why}", name, why);
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
        catch (ObjectDisposedException)
        {
            // The books were closed beneath it; what is left waits in them.
        }
        catch (Exception e) when (e is SqliteException or IOException)
        {
            Log.Warning(e, "Sending waits");
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            // Whatever was wrong with one message, the program goes on, and the others are sent another time.
            Log.Error(e, "Sending failed");
        }
    }

    private void Call(Tx tx) => _calls.Writer.TryWrite(true);
}
