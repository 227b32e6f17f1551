namespace KiteLine.Core;

/// <summary>How a promise to pay stands on a day: the one rule for it.</summary>
/// <param name="Received">Cash with a value date from the day it was given to the day it was due, as the books show it,
/// in minor units.</param>
/// <param name="JudgedOn">The first business day after it was due, on which it is kept, part kept or broken.</param>
public sealed record PromiseStanding(BookPromise Promise, PromiseState State, long Received, DateOnly JudgedOn)
{
    /// <summary>What is missing of it, in minor units.</summary>
    public long Missing => Math.Max(0, Promise.Minor - Received);

    /// <summary>How one promise of an account stands on a day.</summary>
    public static PromiseStanding On(BookAccount account, BookPromise promise, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(promise);
        ArgumentNullException.ThrowIfNull(calendar);
        var judged = calendar.Adjust(promise.DueOn.AddDays(1), BusinessDayRule.Next);
        var received = account.ReceivedAsShown(promise.MadeOn, promise.DueOn, day);
        var state =
            promise.WithdrawnOn <= day ? PromiseState.Withdrawn
            : received >= promise.Minor ? PromiseState.Kept
            : day < judged ? PromiseState.Waiting
            : received > 0 ? PromiseState.PartKept
            : PromiseState.Broken;
        return new(promise, state, received, judged);
    }

    /// <summary>
    /// The latest promise that was given by a day and not taken back, and how it stands; null without any.
    /// </summary>
    public static PromiseStanding? Latest(BookAccount account, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        for (var i = account.Promises.Count - 1; i >= 0; i--)
        {
            var promise = account.Promises[i];
            if (promise.MadeOn <= day && !(promise.WithdrawnOn <= day))
                return On(account, promise, day, calendar);
        }

        return null;
    }

    /// <summary>
    /// The broken or part kept promise that was due last, unless a later one that stands or was kept makes up for it;
    /// null without any.
    /// </summary>
    public static PromiseStanding? Broken(BookAccount account, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        PromiseStanding? broken = null;
        DateOnly? good = null;
        foreach (var promise in account.Promises)
        {
            if (promise.MadeOn > day)
                continue;
            var standing = On(account, promise, day, calendar);
            if (
                standing.State is PromiseState.Broken or PromiseState.PartKept
                && !(broken?.Promise.DueOn > promise.DueOn)
            )
                broken = standing;
            if (standing.State is PromiseState.Kept or PromiseState.Waiting && !(good > promise.DueOn))
                good = promise.DueOn;
        }

        return good > broken?.Promise.DueOn ? null : broken;
    }
}
