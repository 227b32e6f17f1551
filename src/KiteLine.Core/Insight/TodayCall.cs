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

    /// <summary>Whether one of its reasons is of a kind.</summary>
    public bool Has(TodayKind kind)
    {
        // Today asks this of thousands of calls, most of which have one reason.
        for (var i = 0; i < Reasons.Count; i++)
            if (Reasons[i].Kind == kind)
                return true;
        return false;
    }
}
