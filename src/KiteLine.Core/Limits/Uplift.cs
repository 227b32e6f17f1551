namespace KiteLine.Core;

/// <summary>A temporary addition to the standing limit, both days included.</summary>
/// <param name="Recorded">The business date on which it entered the books.</param>
/// <param name="EndedOn">The business date on which it was ended early, from which on it does not hold; or
/// null.</param>
public sealed record Uplift(
    DateOnly From,
    DateOnly Until,
    Money Amount,
    DateOnly Recorded = default,
    DateOnly? EndedOn = null
)
{
    /// <summary>
    /// The last day on which it holds, or held; the eve of its first where it was ended before it began.
    /// </summary>
    public DateOnly LastDay => EndedOn is { } ended && ended <= Until ? ended.AddDays(-1) : Until;

    /// <summary>True on its first day, its last day and every day between, unless it was ended before.</summary>
    public bool InForce(DateOnly day) => InForce(day, day);

    /// <summary>Whether it holds on a day, by what was known on another.</summary>
    public bool InForce(DateOnly day, DateOnly known) =>
        From <= day && day <= Until && Recorded <= known && !(EndedOn is { } ended && ended <= known && ended <= day);

    /// <summary>
    /// What the uplifts in force on a day add up to in minor units, by what was known on another, and when the first of
    /// them ends.
    /// </summary>
    public static (long Sum, DateOnly? Until) On(IReadOnlyList<Uplift> uplifts, DateOnly day, DateOnly known)
    {
        ArgumentNullException.ThrowIfNull(uplifts);
        long sum = 0;
        DateOnly? until = null;
        for (var i = 0; i < uplifts.Count; i++)
        {
            if (!uplifts[i].InForce(day, known))
                continue;
            sum += uplifts[i].Amount.Minor;
            if (until is null || uplifts[i].Until < until)
                until = uplifts[i].Until;
        }

        return (sum, until);
    }
}
