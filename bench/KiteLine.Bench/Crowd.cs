using System.Collections.Concurrent;
using System.Diagnostics;

namespace KiteLine.Bench;

/// <summary>
/// Two hundred people who look at a page each second, each at another moment, and one who posts as fast as he is
/// answered. An answer that is an error ends the run.
/// </summary>
internal static class Crowd
{
    private const int Readers = 200;
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(15);

    /// <param name="page">The address of the n-th page that is looked at.</param>
    /// <param name="post">Posts for the n-th time.</param>
    /// <returns>What 95 of 100 do not exceed, in milliseconds, and how many there were.</returns>
    internal static (double Read, int Reads, double Write, int Writes) P95(
        Caller caller,
        Func<int, string> page,
        Action<int> post
    )
    {
        var (reads, writes) = (new ConcurrentBag<double>(), new List<double>());
        var clock = Stopwatch.StartNew();
        var crowd = Enumerable
            .Range(0, Readers)
            .Select(async reader =>
            {
                await Task.Delay(1000 * reader / Readers);
                for (var second = 1; clock.Elapsed < Long; second++)
                {
                    var asked = clock.Elapsed.TotalMilliseconds;
                    await caller.GetAsync(page((second * Readers) + reader));
                    reads.Add(clock.Elapsed.TotalMilliseconds - asked);
                    var next = (1000 * second) + (1000 * reader / Readers) - clock.ElapsedMilliseconds;
                    if (next > 0)
                        await Task.Delay((int)next);
                }
            })
            .ToArray();
        for (var i = 0; clock.Elapsed < Long; i++)
            writes.Add(Clock.Milliseconds(() => post(i)));
        Task.WaitAll(crowd);
        return (Of(reads), reads.Count, Of(writes), writes.Count);
    }

    private static double Of(IEnumerable<double> times)
    {
        var sorted = times.Order().ToArray();
        return sorted[(int)(sorted.Length * 0.95)];
    }
}
