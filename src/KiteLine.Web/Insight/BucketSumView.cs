using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record BucketSumView(string Bucket, MoneySum Amount)
{
    internal static IReadOnlyList<BucketSumView> Of(
        IReadOnlyList<string> names,
        IReadOnlyList<Int128> amounts,
        Currency currency
    ) => [.. amounts.Select((amount, i) => new BucketSumView(names[i], new(amount, currency)))];
}
