using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// A row of the board. <paramref name="Bar"/> is what the limit bar draws: one amount a bucket, receipts not cleared,
/// orders last.
/// </summary>
/// <param name="PassesOn">The first day on which the expected exposure passes the limit, where that was worked
/// out.</param>
/// <param name="Change">Change of the exposure since the day asked for; null when none was.</param>
internal sealed record AccountRow(
    string Code,
    string Name,
    string Currency,
    string State,
    string Limit,
    string Uplift,
    string? UpliftUntil,
    string EffectiveLimit,
    string Exposure,
    string Headroom,
    string Overdue,
    string Orders,
    string OpenItems,
    decimal Utilisation,
    int OldestDays,
    string Owner,
    string Group,
    IReadOnlyList<BucketView> Ageing,
    IReadOnlyList<string> Bar,
    string Uncleared,
    string Disputed,
    string Held,
    string Source,
    string Insured,
    string? ReviewOn,
    bool ReviewLapsed,
    string? Promise,
    string? PassesOn,
    string? Change,
    IReadOnlyDictionary<string, string> Fields
)
{
    internal static AccountRow Of(AccountPosition p, AgeingBuckets buckets) => Of(p, buckets, null);

    internal static AccountRow Of(AccountPosition p, AgeingBuckets buckets, long? change)
    {
        string Text(long minor) => Money.FromMinor(minor, p.Account.Currency).ToString();
        return new(
            p.Account.Code,
            p.Account.Name,
            p.Account.Currency.Code,
            Web.Fields.Name(p.State),
            Text(p.StandingLimit),
            Text(p.Uplift),
            p.UpliftUntil?.ToString("O"),
            Text(p.EffectiveLimit),
            Text(p.Exposure),
            Text(p.Headroom),
            Text(p.Overdue),
            Text(p.Orders),
            Text(p.OpenItems),
            Math.Round(p.Utilisation, 4),
            p.OldestDays,
            p.Account.Owner,
            p.Account.Group,
            [.. p.Ageing.Select((a, i) => new BucketView(buckets.Names[i], Text(a)))],
            [.. p.DrawnParts().Select(Text)],
            Text(p.Uncleared),
            Text(p.Disputed),
            Text(p.Held),
            Web.Fields.Name(p.Limit?.Source ?? LimitSource.OwnAssessment),
            Text(p.Limit?.Insured ?? 0),
            p.Limit?.ReviewOn?.ToString("O"),
            p.ReviewLapsed,
            p.Promise is { } promise ? Web.Fields.Name(promise.State) : null,
            p.PassesOn?.ToString("O"),
            change is { } c ? Text(c) : null,
            p.Account.Fields
        );
    }
}
