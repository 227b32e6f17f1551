namespace KiteLine.Core;

/// <summary>A discount that an item offers.</summary>
/// <param name="Deadline">The last day printed on the invoice.</param>
/// <param name="GraceDays">Days by which the company silently extends it.</param>
/// <param name="Amount">What paying the item in full by then saves.</param>
public sealed record ItemDiscount(DateOnly Deadline, int GraceDays, Money Amount)
{
    /// <summary>
    /// What it saves from later days on, in rising order of days: a credit note of the invoice inside the window
    /// reduces what the discount is taken of.
    /// </summary>
    public IReadOnlyList<(DateOnly From, Money Amount)> Reduced { get; init; } = [];

    /// <summary>The last value date on which the discount is earned.</summary>
    public DateOnly LastDay => Deadline.AddDays(GraceDays);

    /// <summary>
    /// The discount in force on a day: the largest whose last day has not passed, at most what is open; null without any.
    /// </summary>
    public static ItemDiscount? Best(IEnumerable<ItemDiscount> discounts, DateOnly day, Money open)
    {
        ArgumentNullException.ThrowIfNull(discounts);
        return discounts.Where(d => d.LastDay >= day && d.Amount.Minor > 0).MaxBy(d => d.Amount.Minor) is { } best
            ? best with
            {
                Amount = Money.Min(best.Amount, open),
            }
            : null;
    }

    /// <summary>The discount as it stands on a day, by value: credit notes of later days do not count yet.</summary>
    public ItemDiscount On(DateOnly day)
    {
        var at = Reduced.Count - 1;
        while (at >= 0 && Reduced[at].From > day)
            at--;
        return at < 0 ? this : new(Deadline, GraceDays, Reduced[at].Amount);
    }
}
