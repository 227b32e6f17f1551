namespace KiteLine.Core;

/// <summary>What is open of one account, by age.</summary>
public static class AccountAgeing
{
    /// <summary>
    /// Open amounts as the books showed them at the end of a day, debits less credits in minor units, one for each
    /// bucket; null where nothing was open, so that an account whose credits equal its debits is told from one without
    /// any.
    /// </summary>
    public static long[]? AsShown(BookAccount account, DateOnly day, AgeingBuckets buckets)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(buckets);
        account = account.WithDuesOn(day);
        long[]? ageing = null;
        foreach (ref readonly var item in account.Items.AsSpan())
        {
            var open = account.OpenAsShown(item, day);
            if (open == 0)
                continue;
            ageing ??= new long[buckets.Count];
            ageing[buckets.IndexOf(buckets.DaysOf(item.Date, item.Due, day))] += open;
        }

        return ageing;
    }
}
