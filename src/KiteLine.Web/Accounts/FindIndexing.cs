using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>Keeps the index by which things are found up to date, behind whatever is written.</summary>
internal sealed class FindIndexing(Desk desk) : BackgroundService
{
    private readonly SemaphoreSlim _wake = new(1, 1);

    /// <inheritdoc/>
    public override void Dispose()
    {
        _wake.Dispose();
        base.Dispose();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Wake;
        try
        {
            while (true)
            {
                await _wake.WaitAsync(stoppingToken);
                await Task.Run(() => Work(stoppingToken), stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; what is left waits in the books.
        }
        finally
        {
            desk.Books.Committed -= Wake;
        }
    }

    private void Work(CancellationToken stop)
    {
        try
        {
            while (!stop.IsCancellationRequested && desk.Books.Read(FindIndexer.HasWork))
                desk.Books.Write(
                    "find",
                    tx =>
                    {
                        FindIndexer.Step(tx);
                        return true;
                    }
                );
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

    private void Wake(Tx tx)
    {
        if (_wake.CurrentCount == 0)
            _wake.Release();
    }
}
