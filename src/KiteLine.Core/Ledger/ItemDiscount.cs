namespace KiteLine.Core;

/// <summary>A discount that an item offers.</summary>
/// <param name="Deadline">The last day printed on the invoice.</param>
/// <param name="GraceDays">Days by which the company silently extends it.</param>
/// <param name="Amount">What paying the item in full by then saves.</param>
public sealed record ItemDiscount(DateOnly Deadline, int GraceDays, Money Amount)
{
    /// <summary>The last value date on which the discount is earned.</summary>
    public DateOnly LastDay => Deadline.AddDays(GraceDays);
}
