namespace KiteLine.Core;

/// <summary>Whether reminders of an account can be put off, and whether it can be handed over to be collected.</summary>
public static class HoldDecision
{
    /// <summary>The longest reason, and name, that is kept.</summary>
    public const int LongestReason = 1000;

    /// <exception cref="RefusedException">The day has come, or is more than a year away; no reason is given; or its
    /// reminders are paused as long already.</exception>
    public static void RefusePause(BookAccount account, DateOnly until, string reason, DateOnly today)
    {
        Needed(reason);
        if (until <= today || until > today.AddYears(1))
            throw new RefusedException(
                "until",
                $"Give the first day on which reminders go out again: after {Exactly.Day(today)} and within a year."
            );
        if (AccountPause.On(account, today) is { } pause && pause.Until >= until)
            throw new RefusedException(
                "until",
                $"Reminders are paused until {Exactly.Day(pause.Until)} already; end that first."
            );
    }

    /// <exception cref="RefusedException">Nothing is said about whom or why; or it was handed over already.</exception>
    public static void RefuseHandOver(BookAccount account, string to, string reason, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(to);
        Needed(reason);
        if (to.Trim().Length is 0 or > 200)
            throw new RefusedException("to", "Name the agency or the lawyers, in at most 200 characters.");
        if (CollectionCase.On(account, today) is { } theirs)
            throw new RefusedException("account", theirs.Why);
    }

    /// <exception cref="RefusedException">No reason is given, or it is too long.</exception>
    public static void Needed(string reason)
    {
        Reason.Needed(reason);
        if (reason.Length > LongestReason)
            throw new RefusedException("reason", $"Give a reason of at most {LongestReason} characters.");
    }
}
