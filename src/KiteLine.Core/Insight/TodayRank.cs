namespace KiteLine.Core;

/// <summary>The order of Today: the most money at risk first, in the base currency; then by kind and by name.</summary>
internal sealed class TodayRank : IComparer<TodayEntry>
{
    internal static readonly TodayRank Order = new();

    public int Compare(TodayEntry? x, TodayEntry? y)
    {
        ArgumentNullException.ThrowIfNull(x);
        ArgumentNullException.ThrowIfNull(y);
        var order = y.AtRiskAtHome.CompareTo(x.AtRiskAtHome);
        if (order == 0)
            order = x.Kind.CompareTo(y.Kind);
        if (order == 0)
            order = StringComparer.OrdinalIgnoreCase.Compare(x.About, y.About);
        return order != 0 ? order : StringComparer.Ordinal.Compare(x.Key, y.Key);
    }

    /// <summary>Two ranked lists as one, without sorting the longer anew.</summary>
    internal static TodayEntry[] Merge(IReadOnlyList<TodayEntry> ranked, IReadOnlyList<TodayEntry> others)
    {
        var merged = new TodayEntry[ranked.Count + others.Count];
        var (r, o) = (0, 0);
        for (var i = 0; i < merged.Length; i++)
            merged[i] =
                o == others.Count || (r < ranked.Count && Order.Compare(ranked[r], others[o]) <= 0)
                    ? ranked[r++]
                    : others[o++];
        return merged;
    }
}
