using System.Diagnostics;

namespace KiteLine.Bench;

/// <summary>Times work.</summary>
internal static class Clock
{
    /// <summary>The shortest of some runs, in seconds.</summary>
    internal static double Best(int runs, Action work) =>
        Enumerable.Range(0, runs).Select(_ => Milliseconds(work) / 1000).Min();

    /// <summary>What 95 of 100 runs do not exceed, in milliseconds; some runs go before to warm up.</summary>
    internal static double P95(Action<int> work, int runs = 400)
    {
        for (var i = 0; i < 60; i++)
            work(i);
        var times = Enumerable.Range(0, runs).Select(i => Milliseconds(() => work(i))).Order().ToArray();
        return times[(int)(times.Length * 0.95)];
    }

    /// <summary>One run, in milliseconds.</summary>
    internal static double Milliseconds(Action work)
    {
        var clock = Stopwatch.StartNew();
        work();
        return clock.Elapsed.TotalMilliseconds;
    }
}
