namespace KiteLine.Core;

/// <summary>An account or a group that needs a decision, once, with all its reasons: it is one call.</summary>
/// <param name="About">The account's code or the group's name.</param>
/// <param name="Reasons">The one with the most money at risk first; at least one.</param>
public sealed record TodayCall(string About, bool OfGroup, string Name, string Owner, IReadOnlyList<TodayEntry> Reasons)
{
    /// <summary>
    /// The money at risk of the largest reason, in the account's currency. Reasons are often about the same money, such
    /// as a broken promise on an account over its limit, so they are not added up.
    /// </summary>
    public Money AtRisk => Reasons[0].AtRisk;

    /// <summary>The same in the base currency, by which calls are ranked.</summary>
    public decimal AtRiskAtHome => Reasons[0].AtRiskAtHome;

    /// <summary>The calls that entries make, the most money at risk first.</summary>
    /// <param name="ranked">Entries as <see cref="TodayList"/> ranks them.</param>
    public static IReadOnlyList<TodayCall> Of(IEnumerable<TodayEntry> ranked)
    {
        ArgumentNullException.ThrowIfNull(ranked);
        return
        [
            .. ranked
                .GroupBy(e => (e.OfGroup, About: e.About.ToUpperInvariant()))
                .Select(g => g.ToList())
                .Select(g => new TodayCall(g[0].About, g[0].OfGroup, g[0].Name, g[0].Owner, g)),
        ];
    }
}
