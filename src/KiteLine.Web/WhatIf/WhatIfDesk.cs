namespace KiteLine.Web;

/// <summary>Which what-if is being worked out, how far it is, and the way to stop it.</summary>
internal sealed class WhatIfDesk
{
    private readonly Lock _gate = new();
    private (long Id, CancellationTokenSource Stop)? _atWork;
    private long _done;
    private long _total;

    /// <summary>Tells that one is begun.</summary>
    internal void Begin(long id, CancellationTokenSource stop)
    {
        lock (_gate)
            (_atWork, _done, _total) = ((id, stop), 0, 0);
    }

    /// <summary>Tells how many of how many accounts are replayed.</summary>
    internal void Tell(int done, int total) =>
        (_, _) = (Interlocked.Exchange(ref _done, done), Interlocked.Exchange(ref _total, total));

    /// <summary>Tells that nothing is at work.</summary>
    internal void End()
    {
        lock (_gate)
            _atWork = null;
    }

    /// <summary>In percent; null for one that is not at work.</summary>
    internal int? PercentOf(long id)
    {
        lock (_gate)
            if (_atWork?.Id != id)
                return null;
        var total = Interlocked.Read(ref _total);
        return total == 0 ? 0 : (int)(Interlocked.Read(ref _done) * 100 / total);
    }

    /// <summary>Stops one where it is at work.</summary>
    internal void Stop(long id)
    {
        lock (_gate)
            if (_atWork is { } work && work.Id == id)
                work.Stop.Cancel();
    }
}
