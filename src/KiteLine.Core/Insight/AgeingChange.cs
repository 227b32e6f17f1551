namespace KiteLine.Core;

/// <summary>A line of an ageing beside the same line of another day.</summary>
/// <param name="Before">The line of the other day; one without any amount where nothing was open then.</param>
public sealed record AgeingChange(AgeingLine Now, AgeingLine Before)
{
    /// <summary>By how much the amount rose since, in minor units; negative where it fell.</summary>
    public Int128 Amount => Now.Amount - Before.Amount;

    /// <summary>By how much each bucket rose.</summary>
    public IReadOnlyList<Int128> Ageing => [.. Now.Ageing.Zip(Before.Ageing, (now, before) => now - before)];

    /// <summary>A line that is compared with itself.</summary>
    public static AgeingChange None(AgeingLine line) => new(line, line);

    /// <summary>
    /// The lines of two days side by side, in the order of the first and then those that stand on the other alone.
    /// </summary>
    public static IReadOnlyList<AgeingChange> Of(IReadOnlyList<AgeingLine> now, IReadOnlyList<AgeingLine> before)
    {
        ArgumentNullException.ThrowIfNull(now);
        ArgumentNullException.ThrowIfNull(before);
        static (string, Currency) Of(AgeingLine line) => (line.Key.ToUpperInvariant(), line.Currency);
        static AgeingLine Nothing(AgeingLine line) =>
            line with
            {
                Accounts = 0,
                Ageing = new Int128[line.Ageing.Count],
            };
        var then = before.ToDictionary(Of);
        var changes = now.Select(line => new AgeingChange(line, then.GetValueOrDefault(Of(line)) ?? Nothing(line)));
        var known = now.Select(Of).ToHashSet();
        return
        [
            .. changes,
            .. before.Where(line => !known.Contains(Of(line))).Select(line => new AgeingChange(Nothing(line), line)),
        ];
    }
}
