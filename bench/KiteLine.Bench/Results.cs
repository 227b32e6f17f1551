using System.Globalization;
using System.Text;

namespace KiteLine.Bench;

/// <summary>What was measured, each piece of work beside its yardstick and its bound.</summary>
internal sealed class Results
{
    private readonly List<(string Work, string Ours, string Yardstick, string Ratio, string AtMost)> _rows = [];

    /// <summary>Work that takes so many times as long as its yardstick.</summary>
    internal void Ratio(string work, double ours, double yardstick, string name, string atMost) =>
        Plain(work, Seconds(ours), $"{Seconds(yardstick)}, {name}", $"{ours / yardstick:F2} ×", atMost);

    /// <summary>A request that takes so many milliseconds longer than its yardstick.</summary>
    internal void Beside(string work, double ours, double yardstick, string name, string atMost) =>
        Plain(work, $"{ours:F1} ms", $"{yardstick:F1} ms, {name}", $"+ {ours - yardstick:F1} ms", atMost);

    /// <summary>What ten times the items cost beside ten times the cost of the small ones.</summary>
    internal void Growth(string work, double small, double large) =>
        Plain(
            work,
            Seconds(large),
            $"{Seconds(small * 10)}, ten times the small one",
            $"{large / (small * 10):F2} × linear",
            "1.15 × linear"
        );

    internal void Plain(string work, string ours, string yardstick, string ratio, string atMost)
    {
        Console.Error.WriteLine($"bench: {work}: {ours}, {ratio}");
        _rows.Add((work, ours, yardstick, ratio, atMost));
    }

    internal static string Seconds(double seconds) => seconds < 1 ? $"{seconds * 1000:F0} ms" : $"{seconds:F1} s";

    internal string Table(int accounts, int items)
    {
        var cpu =
            File.ReadLines("/proc/cpuinfo")
                .FirstOrDefault(l => l.StartsWith("model name", StringComparison.Ordinal))
                ?.Split(':')[1]
                .Trim()
            ?? "unknown processor";
        var text = new StringBuilder();
        text.AppendLine("# Benchmarks").AppendLine();
        text.AppendLine(
                "Printed by `./kiteline bench --write docs/benchmarks.md`. Each piece of work stands beside a "
                    + "yardstick measured in the same run; ratios count, single times do not."
            )
            .AppendLine();
        text.AppendLine(
                CultureInfo.InvariantCulture,
                $"{accounts:N0} accounts, {items:N0} open items. {cpu}, {Environment.ProcessorCount} processors, "
                    + $"{GC.GetGCMemoryInfo().TotalAvailableMemoryBytes >> 30} GiB, .NET {Environment.Version}."
            )
            .AppendLine();
        text.AppendLine("| work | ours | yardstick | ratio | at most |").AppendLine("|---|---|---|---|---|");
        foreach (var r in _rows)
            text.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {r.Work} | {r.Ours} | {r.Yardstick} | {r.Ratio} | {r.AtMost} |"
            );
        return text.ToString();
    }
}
