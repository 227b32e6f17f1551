namespace KiteLine.Core;

/// <summary>From a day on, an account is in a state. Later entries in a list prevail on the same day.</summary>
public sealed record StateChange(DateOnly From, AccountState State)
{
    /// <summary>The state in force on a day; open where nothing was ever set.</summary>
    public static AccountState On(IReadOnlyList<StateChange> changes, DateOnly day) =>
        Dated.InForce(changes, c => c.From, day)?.State ?? AccountState.Open;
}
