using System.Threading.Channels;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Works what-ifs out behind whatever is asked, one after the other: what was begun before a stop is begun anew with the next
/// start.
/// </summary>
internal sealed class WhatIfWork(Desk desk) : BackgroundService
{
    private readonly Channel<bool> _calls = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        desk.Books.Committed += Call;
        try
        {
            _calls.Writer.TryWrite(true);
            while (await _calls.Reader.WaitToReadAsync(stoppingToken))
            {
                _calls.Reader.TryRead(out _);
                await Task.Run(() => Work(stoppingToken), stoppingToken);
            }
        }
        catch (OperationCanceledException)
        {
            // The server stops; what is left is begun anew with the next start.
        }
        finally
        {
            desk.Books.Committed -= Call;
        }
    }

    private void Call(Tx tx) => _calls.Writer.TryWrite(true);

    private void Work(CancellationToken stop)
    {
        try
        {
            while (!stop.IsCancellationRequested && desk.Books.Read(WhatIfStore.Next) is { } next)
                Work(next, stop);
        }
        catch (Exception e) when (e is SqliteException or ObjectDisposedException)
        {
            Log.Warning(e, "Working out a what-if waits");
        }
    }

    private void Work(StoredWhatIf next, CancellationToken stop)
    {
        using var stopped = CancellationTokenSource.CreateLinkedTokenSource(stop);
        desk.WhatIfs.Begin(next.Id, stopped);
        try
        {
            var result = new WhatIfReplay(next.Definition, desk).All(desk.WhatIfs.Tell, stopped.Token);
            Finish(next.Id, WhatIfState.Done, result);
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            Finish(next.Id, WhatIfState.Stopped, null);
        }
        // One that cannot be worked out stops neither the others nor the server.
        catch (Exception e)
            when (e
                    is not (
                        OutOfMemoryException
                        or SqliteException
                        or ObjectDisposedException
                        or OperationCanceledException
                    )
            )
        {
            Log.Error(e, "The what-if {Id} cannot be worked out", next.Id);
            Finish(next.Id, WhatIfState.Failed, null);
        }
        finally
        {
            desk.WhatIfs.End();
        }
    }

    private void Finish(long id, WhatIfState state, WhatIfResult? result) =>
        desk.Books.Write(
            "what-if",
            tx =>
            {
                WhatIfStore.Finish(tx, id, state, result);
                return 0;
            }
        );
}
