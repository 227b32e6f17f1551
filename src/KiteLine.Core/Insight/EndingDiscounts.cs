namespace KiteLine.Core;

/// <summary>Discounts that a customer can still have and that end soon: a reason to call.</summary>
/// <param name="Amount">What paying in time saves the customer, together.</param>
/// <param name="Items">How many items they are on.</param>
/// <param name="First">The last day of the one that ends first.</param>
public sealed record EndingDiscounts(Money Amount, int Items, DateOnly First)
{
    /// <summary>A discount ends soon when it ends on the day or within so many days after it.</summary>
    public const int Days = 3;

    /// <summary>Those of some items of one account, by value; null where none ends soon.</summary>
    public static EndingDiscounts? Of(IEnumerable<Item> items, DateOnly day, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(items);
        EndingDiscounts? all = null;
        foreach (var item in items)
            if (item.DiscountOn(day, rounding) is { } d && d.LastDay <= day.AddDays(Days))
                all = all is null
                    ? new(d.Amount, 1, d.LastDay)
                    : new(all.Amount + d.Amount, all.Items + 1, all.First < d.LastDay ? all.First : d.LastDay);
        return all;
    }
}
