namespace KiteLine.Core;

/// <summary>The expected exposure at the end of a day, and the limit then; minor units.</summary>
public sealed record ForecastDay(DateOnly Day, long Exposure, long Limit)
{
    /// <summary>By how much the exposure passes the limit; below zero where it does not.</summary>
    public long Beyond => Exposure - Limit;

    /// <summary>A day with the limit and the uplifts in force on it, by what is known on another.</summary>
    internal static ForecastDay On(
        DateOnly day,
        long exposure,
        IReadOnlyList<LimitChange> limits,
        IReadOnlyList<Uplift> uplifts,
        DateOnly known
    ) => new(day, exposure, LimitStanding.On(limits, uplifts, day, known).Effective);

    /// <summary>The first day after the first on which the limit is passed, or null.</summary>
    internal static ForecastDay? FirstBeyond(IReadOnlyList<ForecastDay> course) =>
        course.Skip(1).FirstOrDefault(d => d.Beyond > 0);

    /// <summary>
    /// Whether a limit can be lower on a day to come than it is: an uplift ends, or a change is known.
    /// </summary>
    internal static bool LimitMayFall(
        IReadOnlyList<LimitChange> limits,
        IReadOnlyList<Uplift> uplifts,
        DateOnly today
    ) => uplifts.Any(u => u.Until >= today) || limits.Any(l => l.From > today && l.Recorded <= today);
}
