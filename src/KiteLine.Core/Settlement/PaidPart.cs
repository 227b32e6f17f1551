namespace KiteLine.Core;

/// <summary>What was posted of one payment on an item, or of all payments with value on one day.</summary>
internal readonly record struct PaidPart(DateOnly Day, Money Cash, Money Discount, Money WriteOff)
{
    /// <summary>The payments of an item by value date, the first day first; what was reversed cancels on its own day.</summary>
    internal static IEnumerable<PaidPart> Of(Item item)
    {
        foreach (var day in item.Movements.Where(IsPayment).GroupBy(m => m.ValueDate).OrderBy(g => g.Key))
        {
            Money Sum(MovementKind kind) =>
                day.Where(m => m.Kind == kind).Aggregate(Money.Zero(item.Currency), (sum, m) => sum - m.Amount);
            yield return new(day.Key, Sum(MovementKind.Cash), Sum(MovementKind.Discount), Sum(MovementKind.WriteOff));
        }
    }

    /// <summary>Whether a movement is part of a payment, a discount or a write-off.</summary>
    internal static bool IsPayment(Movement m) => m.Kind is not (MovementKind.Opened or MovementKind.SetOff);

    /// <summary>What it took off the item.</summary>
    internal Money Settled => Cash + Discount + WriteOff;

    /// <summary>The item as if it had not been.</summary>
    internal Item TakenOff(Item item) =>
        item with
        {
            Movements =
            [
                .. item.Movements,
                new(MovementKind.Cash, Day, Cash),
                new(MovementKind.Discount, Day, Discount),
                new(MovementKind.WriteOff, Day, WriteOff),
            ],
        };
}
