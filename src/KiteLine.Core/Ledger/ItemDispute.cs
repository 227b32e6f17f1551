namespace KiteLine.Core;

/// <summary>What a customer disputes of an item.</summary>
/// <param name="Amount">Above zero.</param>
/// <param name="From">The first day of the dispute.</param>
/// <param name="Until">The day on which it was settled, from which on the item is as any other; or null.</param>
/// <param name="AgainstCustomer">Whether it ended with the customer owing what was disputed.</param>
/// <param name="NotedAt">When it was noted, which may be later than it began.</param>
/// <param name="SettledAt">When its end was noted; null where that is not known.</param>
public sealed record ItemDispute(
    Money Amount,
    DateOnly From,
    DateOnly? Until,
    bool AgainstCustomer = false,
    DateTimeOffset NotedAt = default,
    DateTimeOffset? SettledAt = null
)
{
    /// <summary>As it was known at a moment; null where it was not known yet.</summary>
    public ItemDispute? KnownAt(DateTimeOffset moment) =>
        NotedAt > moment ? null
        : SettledAt > moment ? this with { Until = null, AgainstCustomer = false }
        : this;

    /// <summary>Whether it is open on a day.</summary>
    public bool OpenOn(DateOnly day) => From <= day && !(Until <= day);
}
