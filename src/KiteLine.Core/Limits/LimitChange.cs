namespace KiteLine.Core;

/// <summary>From a day on, the standing limit of an account or a group is this amount.</summary>
/// <param name="From">The first day it holds.</param>
/// <param name="Recorded">The business date on which it entered the books; days before know nothing of it.</param>
/// <param name="Insured">The part that an insurer covers, in minor units.</param>
/// <param name="ReviewOn">The last day before it should be looked at again, or null.</param>
public sealed record LimitChange(
    DateOnly From,
    Money Amount,
    DateOnly Recorded = default,
    LimitSource Source = LimitSource.OwnAssessment,
    long Insured = 0,
    DateOnly? ReviewOn = null
)
{
    /// <summary>The one in force on a day, as it was known at the end of that day; or null.</summary>
    public static LimitChange? On(IReadOnlyList<LimitChange> history, DateOnly day) => On(history, day, day);

    /// <summary>The one in force on a day, by what was known on another.</summary>
    public static LimitChange? On(IReadOnlyList<LimitChange> history, DateOnly day, DateOnly known)
    {
        ArgumentNullException.ThrowIfNull(history);
        LimitChange? found = null;
        for (var i = 0; i < history.Count; i++)
            if (
                history[i].Recorded <= known
                && history[i].From <= day
                && (found is null || history[i].From >= found.From)
            )
                found = history[i];
        return found;
    }
}
