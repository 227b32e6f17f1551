namespace KiteLine.Core;

/// <summary>
/// Which limit of an account or a group stands on a day, by what was known on a day: the one rule for it.
/// </summary>
/// <param name="Change">The change of the standing limit that is in force, or null without any.</param>
/// <param name="Uplift">What the uplifts in force add, in minor units.</param>
/// <param name="UpliftUntil">The last day of the uplift in force that ends first, or null.</param>
public readonly record struct LimitStanding(LimitChange? Change, long Uplift, DateOnly? UpliftUntil)
{
    /// <summary>The standing limit in minor units; nothing without any.</summary>
    public long Standing => Change?.Amount.Minor ?? 0;

    /// <summary>Standing limit plus uplifts in force, in minor units.</summary>
    public long Effective => Standing + Uplift;

    /// <summary>As it was known at the end of the day itself.</summary>
    public static LimitStanding On(IReadOnlyList<LimitChange> changes, IReadOnlyList<Uplift> uplifts, DateOnly day) =>
        On(changes, uplifts, day, day);

    /// <summary>Of a day by what was known on another, as for a day to come.</summary>
    public static LimitStanding On(
        IReadOnlyList<LimitChange> changes,
        IReadOnlyList<Uplift> uplifts,
        DateOnly day,
        DateOnly known
    )
    {
        var (uplift, until) = Core.Uplift.On(uplifts, day, known);
        return new(LimitChange.On(changes, day, known), uplift, until);
    }
}
