using System.Collections.Concurrent;
using Shouldly;

namespace KiteLine.Store.Tests.Model;

/// <summary>
/// Counts what was done in all histories together: one in which nothing happens proves nothing. Looked at once all have run.
/// </summary>
public sealed class DeedsDone : IDisposable
{
    internal const int Histories = 12;

    private static readonly string[] All =
    [
        "invoice",
        "receipt",
        "reverse",
        "credit note",
        "set-off",
        "charge",
        "letter",
        "dispute",
        "promise",
        "reverse charge",
        "reverse credit note",
        "reverse invoice",
        "reverse set-off",
        "move",
        "move back",
        "run",
        "reverse run",
        "slip",
        "amend",
        "reverse amendment",
    ];

    private readonly ConcurrentDictionary<string, int> _times = new(StringComparer.Ordinal);
    private int _histories;

    internal void Add(IReadOnlyDictionary<string, int> done)
    {
        foreach (var (what, times) in done)
            _times.AddOrUpdate(what, times, (_, before) => before + times);
        Interlocked.Increment(ref _histories);
    }

    public void Dispose()
    {
        if (_histories == Histories)
            foreach (var what in All)
                _times.GetValueOrDefault(what).ShouldBeGreaterThan(2, what);
    }
}
