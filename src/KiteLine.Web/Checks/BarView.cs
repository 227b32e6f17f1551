using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What a limit bar draws.</summary>
internal sealed record BarView(
    Money Limit,
    Money Uplift,
    Money EffectiveLimit,
    Money Exposure,
    Money Headroom,
    IReadOnlyList<BucketName> Ageing,
    IReadOnlyList<Money> Bar
)
{
    internal static BarView Of(AccountPosition p, AgeingBuckets buckets)
    {
        Money Amount(long minor) => Money.FromMinor(minor, p.Account.Currency);
        return new(
            Amount(p.StandingLimit),
            Amount(p.Uplift),
            Amount(p.EffectiveLimit),
            Amount(p.Exposure),
            Amount(p.Headroom),
            [.. buckets.Names.Select(n => new BucketName(n))],
            [.. p.DrawnParts().Select(Amount)]
        );
    }
}
