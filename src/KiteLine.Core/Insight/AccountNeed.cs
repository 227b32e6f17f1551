namespace KiteLine.Core;

/// <summary>
/// One thing an account needs a decision on: what Today ranks and what the account's own page tells first.
/// </summary>
/// <param name="Key">What it is about; the same as long as the thing is the same.</param>
/// <param name="AtRisk">The money it is about.</param>
/// <param name="On">The day it is about, or null.</param>
public sealed record AccountNeed(TodayKind Kind, string Key, string Text, Money AtRisk, DateOnly? On)
{
    /// <summary>Whether something has gone wrong already; the others are only to come.</summary>
    public bool Alarm => Kind is TodayKind.OverLimit or TodayKind.ReviewLapsed or TodayKind.PromiseBroken;

    /// <summary>What an account needs on the day of its position.</summary>
    /// <param name="settings">What counts towards exposure on the day.</param>
    public static IEnumerable<AccountNeed> Of(AccountPosition position, ExposureSettings settings)
    {
        ArgumentNullException.ThrowIfNull(position);
        var (p, code) = (position, position.Account.Code);
        Money Amount(long minor) => Money.FromMinor(minor, p.Account.Currency);
        if (p.Headroom < 0)
            yield return new(
                TodayKind.OverLimit,
                $"over-limit:{code}",
                $"Over its limit by {Amount(-p.Headroom)}",
                Amount(-p.Headroom),
                null
            );
        if (p is { ReviewLapsed: true, Limit: { } limit })
            yield return new(
                TodayKind.ReviewLapsed,
                $"review:{code}:{limit.ReviewOn:yyyy-MM-dd}",
                "The review of its limit has lapsed",
                Amount(Math.Max(0, p.Exposure - limit.Insured)),
                limit.ReviewOn
            );
        if (p.PassesOn is { } on)
        {
            var beyond = Amount(Forecast.Of(p, settings).Course.First(d => d.Day == on).Beyond);
            yield return new(
                TodayKind.WillPass,
                $"will-pass:{code}",
                $"Expected to pass its limit by {beyond}",
                beyond,
                on
            );
        }

        if (p.Account.CallAgain is { } call && call.On <= p.Day)
            yield return new(
                TodayKind.CallAgain,
                $"call:{code}:{call.On:yyyy-MM-dd}",
                call.Note.Length == 0 ? "To be called again" : $"To be called again: {call.Note}",
                Amount(Math.Max(0, p.Overdue)),
                call.On
            );
        if (p.Promises.Broken is { } broken)
        {
            var all = p.Promises.All.Where(s => s.IsBroken).ToArray();
            var promised = Amount(all.Sum(s => s.Promise.Minor));
            yield return new(
                TodayKind.PromiseBroken,
                $"promise:{code}:{broken.Promise.DueOn:yyyy-MM-dd}",
                all.Length > 1
                    ? $"{all.Length} promises of {promised} in all were not kept"
                    : $"A promise of {promised} was {(broken.State == PromiseState.PartKept ? "kept in part" : "broken")}",
                Amount(all.Sum(s => s.Missing)),
                broken.Promise.DueOn
            );
        }

        foreach (var due in p.Promises.Open.Where(s => s.Promise.DueOn == p.Day))
            yield return new(
                TodayKind.PromiseDue,
                $"promise-due:{code}:{due.Promise.DueOn:yyyy-MM-dd}",
                $"{Amount(due.Promise.Minor)} is promised for today",
                Amount(due.Missing),
                due.Promise.DueOn
            );
    }

    /// <summary>That discounts end soon which its customer can still have.</summary>
    public static AccountNeed Of(BookAccount account, EndingDiscounts ending)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(ending);
        return new(
            TodayKind.DiscountEnds,
            $"discount-ends:{account.Code}:{ending.First:yyyy-MM-dd}",
            ending.Items == 1
                ? $"A discount of {ending.Amount} ends within {EndingDiscounts.Days} days"
                : $"Discounts of {ending.Amount} on {ending.Items} items end within {EndingDiscounts.Days} days",
            ending.Amount,
            ending.First
        );
    }

    /// <summary>Whether a position can need anything at all; most accounts of a book need nothing.</summary>
    public static bool Any(AccountPosition position)
    {
        ArgumentNullException.ThrowIfNull(position);
        return position.Headroom < 0
            || position.ReviewLapsed
            || position.PassesOn is not null
            || position.Promises.All.Count > 0
            || position.Account.CallAgain?.On <= position.Day;
    }
}
