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
    /// <summary>
    /// The open items of accounts that stand in a bucket, or in any, the largest amounts first: how many there are, and those
    /// of a page.
    /// </summary>
    /// <param name="bucket">Its place among the buckets; null for all.</param>
    public static (int Total, IReadOnlyList<AgeingItem> Page) Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        AgeingBuckets buckets,
        int? bucket,
        int skip,
        int take
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(buckets);
        var found = new Largest();
        for (var a = 0; a < accounts.Count; a++)
        {
            var account = accounts[a].WithDuesOn(day);
            for (var i = 0; i < account.Items.Length; i++)
            {
                ref readonly var item = ref account.Items[i];
                var open = account.OpenAsShown(item, day);
                if (
                    open != 0
                    && (bucket is null || buckets.IndexOf(buckets.DaysOf(item.Date, item.Due, day)) == bucket)
                )
                    found.Add(Math.Abs(open), a, i);
            }
        }

        var (total, page) = found.Page(skip, take);
        return (total, [.. page.Select(of => At(accounts[of.Of].WithDuesOn(day), of.At, day, buckets))]);
    }

    private static AgeingItem At(BookAccount account, int at, DateOnly day, AgeingBuckets buckets)
    {
        var item = account.Items[at];
        return new(
            account,
            account.ItemIds[at],
            item.Kind,
            item.Date,
            item.Due,
            account.OpenAsShown(item, day),
            buckets.DaysOf(item.Date, item.Due, day)
        );
    }
}
