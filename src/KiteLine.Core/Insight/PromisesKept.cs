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
    int Replaced,
    int KeptLate,
    long Promised,
    long Received
)
{
    /// <summary>Counts them.</summary>
    public static PromisesKept Of(BookAccount account, DateOnly from, DateOnly day, BusinessCalendar calendar)
    {
        ArgumentNullException.ThrowIfNull(account);
        var all = PromiseLedger.On(account, day, calendar).All.Where(s => s.Promise.MadeOn >= from).ToArray();
        int Count(PromiseState state) => all.Count(p => p.State == state);
        var standing = all.Where(p => p.State is not (PromiseState.Withdrawn or PromiseState.Replaced)).ToArray();
        return new(
            Count(PromiseState.Kept),
            Count(PromiseState.PartKept),
            Count(PromiseState.Broken),
            Count(PromiseState.Waiting),
            Count(PromiseState.Withdrawn),
            Count(PromiseState.Replaced),
            Count(PromiseState.KeptLate),
            standing.Sum(p => p.Promise.Minor),
            standing.Sum(p => Math.Min(p.Received, p.Promise.Minor))
        );
    }
}
