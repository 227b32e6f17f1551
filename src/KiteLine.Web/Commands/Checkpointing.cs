using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Takes what was committed lately into the file of the books when nobody writes, so that the file beside it, which
/// belongs to the books, stays small.
/// </summary>
internal sealed class Checkpointing(Desk desk) : Worker(desk.Books)
{
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(30);
    private long _committed = Environment.TickCount64;

    protected override string Subject => "The taking of commits into the file of the books";

    protected override TimeSpan Look => Quiet;

    // It waits until nobody has written for a while.
    protected override bool Wakes(Tx tx)
    {
        Interlocked.Exchange(ref _committed, Environment.TickCount64);
        return false;
    }

    protected override void Work(CancellationToken stop)
    {
        if (Environment.TickCount64 - Interlocked.Read(ref _committed) > Quiet.TotalMilliseconds)
            desk.Books.Checkpoint();
    }
}
