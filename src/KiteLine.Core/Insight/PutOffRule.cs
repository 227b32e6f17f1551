namespace KiteLine.Core;

/// <summary>How long an entry of the queue can be put off.</summary>
public static class PutOffRule
{
    /// <exception cref="RefusedException">The day is not after the business date or more than a year away, or no entry
    /// is named.</exception>
    public static void RefuseUnlessSound(string entry, DateOnly until, string reason, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(entry);
        ArgumentNullException.ThrowIfNull(reason);
        if (until <= today || until > today.AddYears(1))
            throw new RefusedException("until", $"Put it off to a day after {Exactly.Day(today)}, at most a year.");
        if (entry.Length is 0 or > 200)
            throw new RefusedException("key", "Name the entry that is put off.");
        if (reason.Length > Reason.Longest)
            throw new RefusedException("reason", $"A reason has up to {Reason.Longest} characters.");
    }
}
