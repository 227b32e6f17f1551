namespace KiteLine.Core;

/// <summary>A group of accounts with a limit of its own.</summary>
/// <param name="Parent">The group it belongs to itself, or empty.</param>
public sealed record BookGroup(
    long Id,
    string Name,
    Currency Currency,
    string Parent,
    IReadOnlyList<LimitChange> Limits,
    IReadOnlyList<Uplift> Uplifts
)
{
    /// <summary>The groups that it belonged to before, in the order in which it was moved.</summary>
    public IReadOnlyList<FormerGroup> FormerParents { get; init; } = [];

    /// <summary>The group that it belonged to at the end of a day; empty for none.</summary>
    public string ParentOn(DateOnly day) => FormerGroup.On(FormerParents, day) ?? Parent;

    /// <summary>The names of the groups above one, nearest first. A parent that is not there ends the chain.</summary>
    public static IEnumerable<BookGroup> Above(string name, IReadOnlyDictionary<string, BookGroup> groups)
    {
        ArgumentNullException.ThrowIfNull(groups);
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        while (name.Length > 0 && groups.TryGetValue(name, out var group) && seen.Add(group.Name))
        {
            yield return group;
            name = group.Parent;
        }
    }

    /// <summary>
    /// Whether making <paramref name="parent"/> the parent of a group would make the group contain itself.
    /// </summary>
    public static bool WouldContainItself(string name, string parent, IReadOnlyDictionary<string, BookGroup> groups) =>
        name.Equals(parent, StringComparison.OrdinalIgnoreCase)
        || Above(parent, groups).Any(g => g.Name.Equals(name, StringComparison.OrdinalIgnoreCase));
}
