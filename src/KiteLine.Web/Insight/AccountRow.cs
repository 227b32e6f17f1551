using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// A row of the board. <paramref name="Bar"/> is what the limit bar draws: one amount a bucket, receipts not cleared,
/// orders last.
/// </summary>
/// <param name="PassesOn">The first day on which the expected exposure passes the limit, where that was worked
/// out.</param>
/// <param name="PausedUntil">The first day on which its reminders go out again; null where they are not paused.</param>
/// <param name="HandedTo">Who collects what it owes; null where nobody else does.</param>
/// <param name="Change">Change of the exposure since the day asked for; null when none was.</param>
internal sealed record AccountRow(
    string Code,
    string Name,
    string Currency,
    AccountState State,
    Money Limit,
    Money Uplift,
    DateOnly? UpliftUntil,
    Money EffectiveLimit,
    Money Exposure,
    Money Headroom,
    Money Overdue,
    Money Orders,
    Money OpenItems,
    decimal Utilisation,
    int OldestDays,
    string Owner,
    string Group,
    IReadOnlyList<BucketView> Ageing,
    IReadOnlyList<Money> Bar,
    Money Uncleared,
    Money Disputed,
    Money Held,
    LimitSource Source,
    Money Insured,
    DateOnly? ReviewOn,
    bool ReviewLapsed,
    PromiseState? Promise,
    DateOnly? PassesOn,
    Money? Change,
    IReadOnlyDictionary<string, string> Fields,
    DateOnly? PausedUntil,
    string? HandedTo
)
{
    internal static AccountRow Of(AccountPosition p, AgeingBuckets buckets) => Of(p, buckets, null);

    internal static AccountRow Of(AccountPosition p, AgeingBuckets buckets, long? change)
    {
        Money Amount(long minor) => Money.FromMinor(minor, p.Account.Currency);
        return new(
            p.Account.Code,
            p.Account.Name,
            p.Account.Currency.Code,
            p.State,
            Amount(p.StandingLimit),
            Amount(p.Uplift),
            p.UpliftUntil,
            Amount(p.EffectiveLimit),
            Amount(p.Exposure),
            Amount(p.Headroom),
            Amount(p.Overdue),
            Amount(p.Orders),
            Amount(p.OpenItems),
            Math.Round(p.Utilisation, 4),
            p.OldestDays,
            p.Account.Owner,
            p.Account.Group,
            [.. p.Ageing.Select((a, i) => new BucketView(buckets.Names[i], Amount(a)))],
            [.. p.DrawnParts().Select(Amount)],
            Amount(p.Uncleared),
            Amount(p.Disputed),
            Amount(p.Held),
            p.Limit?.Source ?? LimitSource.OwnAssessment,
            Amount(p.Limit?.Insured ?? 0),
            p.Limit?.ReviewOn,
            p.ReviewLapsed,
            p.Promise is { } promise ? promise.State : null,
            p.PassesOn,
            change is { } c ? Amount(c) : null,
            p.Account.Fields,
            AccountPause.On(p.Account, p.Day)?.Until,
            CollectionCase.On(p.Account, p.Day)?.To
        );
    }
}
