namespace KiteLine.Core;

/// <summary>
/// What became of the discounts that an item offered, by value and with everything that was posted since: a case that was
/// put right is none any more.
/// </summary>
/// <param name="Deadline">The printed deadline of its last step.</param>
/// <param name="Offered">The largest of its steps, less what credit notes took off it.</param>
/// <param name="Used">What was given within the steps' last days, grace included.</param>
/// <param name="CashDays">Where it was used: the cash of the item times the days by which each payment came before the due
/// date, in minor units times days; what the discount was given for.</param>
public readonly record struct DiscountOutcome(
    DateOnly Deadline,
    Money Offered,
    Money Used,
    decimal CashDays,
    IReadOnlyList<DiscountLeak> Leaks
)
{
    /// <summary>The outcome of an item; null where it offered none, or was taken back.</summary>
    public static DiscountOutcome? Of(Item item, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(item);
        if (item.Discounts.Count == 0)
            return null;
        var steps = item.Discounts.Select(d => d.On(DateOnly.MaxValue)).Where(d => d.Amount.Minor > 0).ToArray();
        if (steps.Length == 0 || Sum(item, MovementKind.Opened, _ => true) <= 0)
            return null;
        var (used, leaks) = Given(item, steps);
        var writtenOff = WrittenOff(item, steps);
        leaks.AddRange(writtenOff);
        if (used == 0 && leaks.Count == 0 && NotGranted(item, steps, rounding) is { } missed)
            leaks.Add(missed);
        return new(
            steps.Max(s => s.Deadline),
            steps.MaxBy(s => s.Amount.Minor)!.Amount,
            Money.FromMinor(used, item.Currency),
            used > 0 ? CashBeforeDue(item) : 0m,
            leaks.Count == 0 ? [] : leaks.ToArray()
        );
    }

    private static decimal CashBeforeDue(Item item)
    {
        var sum = 0m;
        foreach (var m in item.Movements)
            if (m.Kind == MovementKind.Cash)
                sum -= (decimal)m.Amount.Minor * (item.Due.DayNumber - m.ValueDate.DayNumber);
        return sum;
    }

    // On each day as much is in time as the steps that had not ended then still gave.
    private static (long Used, List<DiscountLeak> Leaks) Given(Item item, ItemDiscount[] steps)
    {
        var (used, leaks) = (0L, new List<DiscountLeak>());
        foreach (var day in Days(item, MovementKind.Discount))
        {
            var given = -Sum(item, MovementKind.Discount, m => m.ValueDate == day);
            if (given <= 0)
                continue;
            var inForce = steps.Where(s => s.LastDay >= day).Select(s => s.Amount.Minor).DefaultIfEmpty().Max();
            var inTime = Math.Min(given, Math.Max(0, inForce - used));
            used += inTime;
            if (given > inTime)
                leaks.Add(
                    new(
                        LeakKind.AllowedLate,
                        day,
                        Money.FromMinor(given - inTime, item.Currency),
                        steps.Where(s => s.LastDay < day).MaxBy(s => s.Amount.Minor)?.LastDay ?? day
                    )
                );
        }

        return (used, leaks);
    }

    // A payment that was short by at least a discount that had ended, and the difference written off with it.
    private static IEnumerable<DiscountLeak> WrittenOff(Item item, ItemDiscount[] steps)
    {
        foreach (var day in Days(item, MovementKind.WriteOff))
        {
            var written = -Sum(item, MovementKind.WriteOff, m => m.ValueDate == day);
            var cash = -Sum(item, MovementKind.Cash, m => m.ValueDate == day);
            var step = steps.Where(s => s.LastDay < day && s.Amount.Minor <= written).MaxBy(s => s.Amount.Minor);
            if (cash > 0 && step is not null && steps.All(s => s.LastDay < day || s.Amount < step.Amount))
                yield return new(LeakKind.WrittenOff, day, step.Amount, step.LastDay);
        }
    }

    // Cash had come by its last day, and no more was open then than the discount itself.
    private static DiscountLeak? NotGranted(Item item, ItemDiscount[] steps, RoundingRule rounding)
    {
        var owed = item.Credits.Aggregate(item.Opened, (sum, c) => sum - c.Amount);
        foreach (var step in steps.OrderByDescending(s => s.Amount.Minor))
        {
            var cash = -Sum(item, MovementKind.Cash, m => m.ValueDate <= step.LastDay);
            if (cash <= 0)
                continue;
            var day = item
                .Movements.Where(m => m.Kind == MovementKind.Cash && m.ValueDate <= step.LastDay)
                .Max(m => m.ValueDate);
            if (item.OpenByValue(step.LastDay) <= step.Amount)
                return new(LeakKind.NotGranted, day, step.Amount, step.LastDay);
            if (item.PartPayments && owed.Minor > 0)
                return new(
                    LeakKind.NotGranted,
                    day,
                    Money.Round(
                        step.Amount.Amount * Money.FromMinor(cash, item.Currency).Amount / owed.Amount,
                        item.Currency,
                        rounding
                    ),
                    step.LastDay
                );
        }

        return null;
    }

    private static IEnumerable<DateOnly> Days(Item item, MovementKind kind) =>
        item.Movements.Where(m => m.Kind == kind).Select(m => m.ValueDate).Distinct().Order();

    private static long Sum(Item item, MovementKind kind, Func<Movement, bool> which)
    {
        long sum = 0;
        foreach (var movement in item.Movements)
            if (movement.Kind == kind && which(movement))
                sum += movement.Amount.Minor;
        return sum;
    }
}
