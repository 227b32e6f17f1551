namespace KiteLine.Core;

/// <summary>How an account has paid; what was reversed is as if it had never been.</summary>
/// <param name="SettledItems">Invoice items that were settled in full.</param>
/// <param name="DiscountsTaken">Share of the items with a discount on which it was taken, 0 to 1; null where none
/// offered one.</param>
public sealed record PaymentHabit(int SettledItems, decimal? DiscountsTaken)
{
    /// <summary>From all items of an account, closed ones included, that fell due in the year before a day.</summary>
    public static PaymentHabit Of(IEnumerable<Item> items, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(items);
        var settled = items
            .Where(i =>
                i.Kind == ItemKind.Invoice
                && i.Due > day.AddYears(-1)
                && i.Opened.Minor > 0
                && i.OpenByValue(day).IsZero
                && i.Cash(day).Minor > 0
            )
            .ToArray();
        var offered = settled.Where(i => i.Discounts.Count > 0).ToArray();
        return new(
            settled.Length,
            offered.Length == 0 ? null : (decimal)offered.Count(i => i.Given(day).Minor > 0) / offered.Length
        );
    }
}
