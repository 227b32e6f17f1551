using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Takes what was committed lately into the file of the books when nobody writes, so that the file beside it, which
/// belongs to the books, stays small.
/// </summary>
internal sealed class Checkpointing(Desk desk) : BackgroundService
{
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(30);
    private long _committed = Environment.TickCount64;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Noted;
        try
        {
            using var timer = new PeriodicTimer(Quiet);
            while (await timer.WaitForNextTickAsync(stoppingToken))
                if (Environment.TickCount64 - Interlocked.Read(ref _committed) > Quiet.TotalMilliseconds)
                    Checkpoint();
        }
        catch (OperationCanceledException)
        {
            // The server stops; the books do it once more when they are closed.
        }
        finally
        {
            desk.Books.Committed -= Noted;
        }
    }

    private void Noted(Tx _) => Interlocked.Exchange(ref _committed, Environment.TickCount64);

    private void Checkpoint()
    {
        try
        {
            desk.Books.Checkpoint();
        }
        catch (SqliteException e)
        {
            Log.Warning(e, "Taking commits into the file of the books waits");
        }
    }
}
