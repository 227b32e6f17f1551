using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// A group on the board: its exposure against its own limit. <paramref name="Missing"/> names currencies without a rate
/// of the day.
/// </summary>
/// <param name="Matching">How many of its accounts hold to what was asked for.</param>
/// <param name="Change">The change of its exposure since the day asked for.</param>
internal sealed record GroupRow(
    string Name,
    string Currency,
    string Parent,
    long Version,
    int Accounts,
    int Matching,
    bool HasLimit,
    Money Limit,
    Money Uplift,
    DateOnly? UpliftUntil,
    Money EffectiveLimit,
    Money Exposure,
    Money Headroom,
    Money Overdue,
    Money? Change,
    decimal Utilisation,
    DateOnly? ReviewOn,
    bool ReviewLapsed,
    IReadOnlyList<string> Missing,
    IReadOnlyList<BucketName> Ageing,
    IReadOnlyList<Money> Bar
)
{
    internal static GroupRow Of(
        GroupPosition p,
        long version,
        AgeingBuckets buckets,
        int? matching = null,
        Money? change = null
    ) =>
        new(
            p.Group.Name,
            p.Group.Currency.Code,
            p.Group.Parent,
            version,
            p.Parts.Count,
            matching ?? p.Parts.Count,
            p.HasLimit,
            p.StandingLimit,
            Money.FromMinor(p.Uplift, p.Group.Currency),
            p.UpliftUntil,
            p.EffectiveLimit,
            p.Exposure,
            p.Headroom,
            p.Overdue,
            change,
            p.EffectiveLimit.Minor > 0 ? Math.Round((decimal)p.Exposure.Minor / p.EffectiveLimit.Minor, 4)
                : p.Exposure.Minor > 0 ? 1_000_000
                : 0,
            p.Limit?.ReviewOn,
            p.ReviewLapsed,
            [.. p.Missing.Select(c => c.Code)],
            [.. buckets.Names.Select(n => new BucketName(n))],
            [.. p.DrawnParts().Select(minor => Money.FromMinor(minor, p.Group.Currency))]
        );
}
