using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What a limit bar draws.</summary>
internal sealed record BarView(
    string Limit,
    string Uplift,
    string EffectiveLimit,
    string Exposure,
    string Headroom,
    IReadOnlyList<BucketName> Ageing,
    IReadOnlyList<string> Bar
)
{
    internal static BarView Of(AccountPosition p, AgeingBuckets buckets)
    {
        string Text(long minor) => Money.FromMinor(minor, p.Account.Currency).ToString();
        return new(
            Text(p.StandingLimit),
            Text(p.Uplift),
            Text(p.EffectiveLimit),
            Text(p.Exposure),
            Text(p.Headroom),
            [.. buckets.Names.Select(n => new BucketName(n))],
            [.. p.DrawnParts().Select(Text)]
        );
    }
}
