using KiteLine.Core;
using KiteLine.Store;
using Serilog;

namespace KiteLine.Web;

/// <summary>
/// Works what-ifs out behind whatever is asked, one after the other: what was begun before a stop is begun anew with the next
/// start.
/// </summary>
internal sealed class WhatIfWork(Desk desk) : Worker(desk.Books)
{
    protected override string Subject => "The working out of what-ifs";

    protected override void Work(CancellationToken stop)
    {
        while (!stop.IsCancellationRequested && desk.Books.Read(WhatIfStore.Next) is { } next)
            Work(next, stop);
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
        // One that cannot be worked out holds up none of the others.
        catch (Exception e) when (!MayPass(e) && e is not OperationCanceledException)
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
