namespace KiteLine.Core;

/// <summary>
/// The promises of an account on a day: the one rule for how they stand. Cash that came in after a promise was made keeps it
/// once; several promises use it up in the order of the days on which they were due.
/// </summary>
/// <param name="All">Those given by the day, the one due first first.</param>
public sealed record PromiseLedger(IReadOnlyList<PromiseStanding> All)
{
    /// <summary>Of an account without any.</summary>
    public static PromiseLedger None { get; } = new([]);

    /// <summary>How the promises of an account stand, as shown on a day.</summary>
    public static PromiseLedger On(BookAccount account, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(calendar);
        if (account.Promises.Count == 0)
            return None;
        BookPromise[] given =
        [
            .. account
                .Promises.Where(p => p.MadeOn <= day)
                .OrderBy(p => p.DueOn)
                .ThenBy(p => p.MadeOn)
                .ThenBy(p => p.Id),
        ];
        if (given.Length == 0)
            return None;
        var (inTime, late) = (new long[given.Length], new long[given.Length]);
        foreach (var (on, came) in account.CashByDay(given.Min(p => p.MadeOn), day))
        {
            var left = came;
            for (var i = 0; i < given.Length && left > 0; i++)
            {
                if (given[i].WithdrawnOn <= day || given[i].MadeOn > on)
                    continue;
                var taken = Math.Min(left, given[i].Minor - inTime[i] - late[i]);
                left -= taken;
                if (on <= given[i].DueOn)
                    inTime[i] += taken;
                else
                    late[i] += taken;
            }
        }

        return new([.. given.Select((p, i) => Standing(p, inTime[i], late[i], day, calendar))]);
    }

    /// <summary>The one due last of those that are broken or kept in part; null where none is.</summary>
    public PromiseStanding? Broken => All.LastOrDefault(p => p.IsBroken);

    /// <summary>Those that are still to be kept, the one due first first.</summary>
    public IEnumerable<PromiseStanding> Open => All.Where(p => p.IsOpen);

    /// <summary>The state of an account's promises: broken where one is, else open, else how the last stands.</summary>
    public PromiseStanding? Told =>
        Broken
        ?? Open.FirstOrDefault()
        ?? All.LastOrDefault(p => p.State is not (PromiseState.Withdrawn or PromiseState.Replaced));

    private static PromiseStanding Standing(
        BookPromise promise,
        long inTime,
        long late,
        DateOnly day,
        BusinessCalendar calendar
    )
    {
        var judged = calendar.Adjust(promise.DueOn.AddDays(1), BusinessDayRule.Next);
        var state =
            promise.WithdrawnOn <= day ? (promise.Replaced ? PromiseState.Replaced : PromiseState.Withdrawn)
            : inTime >= promise.Minor ? PromiseState.Kept
            : inTime + late >= promise.Minor ? PromiseState.KeptLate
            : day < judged ? PromiseState.Waiting
            : inTime + late > 0 ? PromiseState.PartKept
            : PromiseState.Broken;
        return new(promise, state, inTime, late, judged);
    }
}
