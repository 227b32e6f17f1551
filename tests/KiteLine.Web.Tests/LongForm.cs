using System.Diagnostics;
using System.Globalization;
using Shouldly;

namespace KiteLine.Web.Tests;

/// <summary>
/// How far tests of random input go. KITELINE_FUZZ=N tries the numbers 1 to N in place of the few of an ordinary run, and
/// then holds each request to two seconds and 200 MB as well; run those tests alone, as what others take would count.
/// </summary>
internal static class LongForm
{
    private const long Bytes = 200_000_000;
    private static readonly TimeSpan Time = TimeSpan.FromSeconds(2);

    private static readonly int Wanted = int.Parse(
        Environment.GetEnvironmentVariable("KITELINE_FUZZ") ?? "0",
        CultureInfo.InvariantCulture
    );

    /// <summary>The numbers to try.</summary>
    internal static IEnumerable<int> Seeds(params int[] ordinary) =>
        Wanted > 0 ? Enumerable.Range(1, Wanted) : ordinary;

    /// <summary>Sends a request, held to its bounds in the long form.</summary>
    internal static async Task<T> Held<T>(string what, Func<Task<T>> send)
    {
        if (Wanted == 0)
            return await send();
        var (allocated, clock) = (GC.GetTotalAllocatedBytes(), Stopwatch.StartNew());
        var answer = await send();
        clock.Elapsed.ShouldBeLessThan(Time, what);
        (GC.GetTotalAllocatedBytes() - allocated).ShouldBeLessThan(Bytes, what);
        return answer;
    }
}
