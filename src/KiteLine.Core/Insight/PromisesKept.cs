namespace KiteLine.Core;

/// <summary>What became of the promises that a customer made in a period, as known on a day.</summary>
/// <param name="Promised">All of them together, without those taken back, in minor units.</param>
/// <param name="Received">What came of them by the days promised, of each at most what was promised.</param>
public sealed record PromisesKept(
    int Kept,
    int PartKept,
    int Broken,
    int Waiting,
    int Withdrawn,
    long Promised,
    long Received
)
{
    /// <summary>Counts them.</summary>
    public static PromisesKept Of(BookAccount account, DateOnly from, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        var all = account
            .Promises.Where(p => p.MadeOn >= from && p.MadeOn <= day)
            .Select(p => PromiseStanding.On(account, p, day, calendar))
            .ToArray();
        int Count(PromiseState state) => all.Count(p => p.State == state);
        var standing = all.Where(p => p.State != PromiseState.Withdrawn).ToArray();
        return new(
            Count(PromiseState.Kept),
            Count(PromiseState.PartKept),
            Count(PromiseState.Broken),
            Count(PromiseState.Waiting),
            Count(PromiseState.Withdrawn),
            standing.Sum(p => p.Promise.Minor),
            standing.Sum(p => Math.Min(p.Received, p.Promise.Minor))
        );
    }
}
