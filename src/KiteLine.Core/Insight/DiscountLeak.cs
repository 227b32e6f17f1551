namespace KiteLine.Core;

/// <summary>A case in which a discount leaked.</summary>
/// <param name="Kind">One of the first three.</param>
/// <param name="Day">The value date of the payment.</param>
/// <param name="Amount">What was given beyond what was earned; or, where it was not granted, what was earned.</param>
/// <param name="LastDay">The last day of the step, grace included.</param>
public sealed record DiscountLeak(LeakKind Kind, DateOnly Day, Money Amount, DateOnly LastDay)
{
    /// <summary>Days by which the payment missed the step's last day; 0 where it came in time.</summary>
    public int DaysLate => Math.Max(0, Day.DayNumber - LastDay.DayNumber);
}
