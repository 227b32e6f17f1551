namespace KiteLine.Core;

/// <summary>Reminders of an account are put off until a day.</summary>
/// <param name="From">The day on which it was decided.</param>
/// <param name="Until">The first day on which reminders go out again.</param>
/// <param name="EndedOn">The day on which it was ended early, or null.</param>
public sealed record AccountPause(long Id, DateOnly From, DateOnly Until, string Reason, DateOnly? EndedOn = null)
{
    /// <summary>Whether no reminder goes out on a day.</summary>
    public bool HoldsOn(DateOnly day) => From <= day && day < Until && !(EndedOn <= day);

    /// <summary>The pause that holds on a day and lasts longest, or null.</summary>
    public static AccountPause? On(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        AccountPause? longest = null;
        for (var i = 0; i < account.Pauses.Count; i++)
            if (account.Pauses[i].HoldsOn(day) && !(longest?.Until >= account.Pauses[i].Until))
                longest = account.Pauses[i];
        return longest;
    }
}
