namespace KiteLine.Core;

/// <summary>The calls that Today's entries make.</summary>
public sealed class TodayCalls
{
    private readonly List<TodayCall> _all = [];
    private readonly Dictionary<TodayKind, int> _byKind = [];

    private TodayCalls() { }

    /// <summary>All calls, the most money at risk first.</summary>
    public IReadOnlyList<TodayCall> All => _all;

    /// <summary>How many calls have a reason of a kind.</summary>
    public int With(TodayKind kind) => _byKind.GetValueOrDefault(kind);

    /// <summary>Gathers entries by what they are about.</summary>
    /// <param name="ranked">As <see cref="TodayList"/> ranks them.</param>
    public static TodayCalls Of(IEnumerable<TodayEntry> ranked)
    {
        ArgumentNullException.ThrowIfNull(ranked);
        var calls = new TodayCalls();
        var (accounts, groups) = (Places(), Places());
        foreach (var entry in ranked)
        {
            var places = entry.OfGroup ? groups : accounts;
            if (!places.TryGetValue(entry.About, out var reasons))
            {
                places.Add(entry.About, reasons = new(1));
                calls._all.Add(new(entry.About, entry.OfGroup, entry.Name, entry.Owner, reasons));
            }

            if (!reasons.Exists(r => r.Kind == entry.Kind))
                calls._byKind[entry.Kind] = calls.With(entry.Kind) + 1;
            reasons.Add(entry);
        }

        return calls;

        static Dictionary<string, List<TodayEntry>> Places() => new(StringComparer.OrdinalIgnoreCase);
    }
}
