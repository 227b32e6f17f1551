namespace KiteLine.Core;

/// <summary>An open item as an ageing counts it.</summary>
/// <param name="Item">Its identifier.</param>
/// <param name="Open">What the books showed as open at the end of the day, in minor units; a credit is negative.</param>
/// <param name="Days">Its age in days by the ageing's basis; zero or below is not due.</param>
public sealed record AgeingItem(
    BookAccount Account,
    long Item,
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    long Open,
    int Days
)
{
    /// <summary>The open items of accounts that stand in a bucket, or in any, the largest amounts first.</summary>
    /// <param name="bucket">Its place among the buckets; null for all.</param>
    public static IReadOnlyList<AgeingItem> Of(
        IEnumerable<BookAccount> accounts,
        DateOnly day,
        AgeingBuckets buckets,
        int? bucket
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(buckets);
        var items = new List<AgeingItem>();
        foreach (var account in accounts)
            for (var i = 0; i < account.Items.Length; i++)
            {
                ref readonly var item = ref account.Items[i];
                var open = account.OpenAsShown(item, day);
                if (open == 0)
                    continue;
                var days = buckets.DaysOf(item.Date, item.Due, day);
                if (bucket is null || buckets.IndexOf(days) == bucket)
                    items.Add(new(account, account.ItemIds[i], item.Kind, item.Date, item.Due, open, days));
            }

        return [.. items.OrderByDescending(i => Math.Abs(i.Open)).ThenBy(i => i.Item)];
    }
}
