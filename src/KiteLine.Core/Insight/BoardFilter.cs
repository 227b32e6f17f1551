namespace KiteLine.Core;

/// <summary>The quick filters of the board.</summary>
public static class BoardFilter
{
    private static readonly Dictionary<string, Func<AccountPosition, bool>> Filters = new(StringComparer.Ordinal)
    {
        ["over-limit"] = p => p.Headroom < 0,
        ["above-80"] = p => p.Headroom >= 0 && p.Utilisation >= 0.8m,
        ["overdue"] = p => p.Overdue > 0,
        ["overdue-30"] = p => p.OldestDays > 30,
        ["watch"] = p => p.State == AccountState.Watch,
        ["stop"] = p => p.State == AccountState.Stop,
        ["uplift"] = p => p.Uplift > 0,
        ["orders"] = p => p.Orders > 0,
        ["held"] = p => p.Held > 0,
        ["will-pass"] = p => p.PassesOn is not null,
        ["review-lapsed"] = p => p.ReviewLapsed,
        ["promise-broken"] = p => p.Promises.Broken is not null,
        ["disputed"] = p => p.Disputed > 0,
        ["paused"] = p => AccountPause.On(p.Account, p.Day) is not null,
        ["handed-over"] = p => CollectionCase.On(p.Account, p.Day) is not null,
    };

    /// <summary>The names, in the order in which they are offered.</summary>
    public static IReadOnlyCollection<string> Names => Filters.Keys;

    /// <summary>The filter of this name, or null.</summary>
    public static Func<AccountPosition, bool>? Find(string name) => Filters.GetValueOrDefault(name);
}
