namespace KiteLine.Core;

/// <summary>A group that an account counted towards, or another group belonged to, before it was moved to another.</summary>
/// <param name="Until">The business date of the move: the first day on which it counts towards the other.</param>
/// <param name="Group">The group before; empty for none.</param>
public sealed record FormerGroup(DateOnly Until, string Group)
{
    /// <summary>The group at the end of a day; null where it is that of today.</summary>
    /// <param name="former">In the order of the moves; of two moves on one day the first says what was before it.</param>
    internal static string? On(IReadOnlyList<FormerGroup> former, DateOnly day)
    {
        for (var i = 0; i < former.Count; i++)
            if (day < former[i].Until)
                return former[i].Group;
        return null;
    }
}
