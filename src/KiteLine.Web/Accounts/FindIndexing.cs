using System.Threading.Channels;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>Keeps the index by which things are found up to date, behind whatever is written.</summary>
internal sealed class FindIndexing(Desk desk) : BackgroundService
{
    // Postings often come one after the other: taken in together, they are not each held up by a second commit.
    private static readonly TimeSpan Gathering = TimeSpan.FromMilliseconds(250);

    // Holds one call at most: work that waits is done whole, however often it was called for.
    private readonly Channel<bool> _calls = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Call;
        try
        {
            // What was left waiting when the server last stopped.
            _calls.Writer.TryWrite(true);
            await foreach (var _ in _calls.Reader.ReadAllAsync(stoppingToken))
            {
                await Task.Delay(Gathering, stoppingToken);
                await Task.Run(() => Work(stoppingToken), stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; what is left waits in the books.
        }
        finally
        {
            desk.Books.Committed -= Call;
        }
    }

    private void Work(CancellationToken stop)
    {
        try
        {
            // What comes in meanwhile is gathered again: each step is a commit that others wait for.
            var more = desk.Books.Read(FindIndexer.HasWork);
            while (!stop.IsCancellationRequested && more)
                more = desk.Books.Write("find", FindIndexer.Step);
        }
        catch (ObjectDisposedException)
        {
            // The books were closed beneath it; what is left waits in them.
        }
        catch (SqliteException e)
        {
            // Another program may hold the books for long; the next commit wakes it again.
            Log.Warning(e, "Taking accounts and documents into the index waits");
        }
    }

    private void Call(Tx tx) => _calls.Writer.TryWrite(true);
}
