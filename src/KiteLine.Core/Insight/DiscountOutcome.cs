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
        var (used, leaks) = Given(item);
        var writtenOff = WrittenOff(item, steps);
        leaks.AddRange(writtenOff);
        if (NotGranted(item, rounding) is { } missed)
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
    private static (long Used, List<DiscountLeak> Leaks) Given(Item item)
    {
        var (used, leaks) = (0L, new List<DiscountLeak>());
        foreach (var day in Days(item, MovementKind.Discount))
        {
            var given = -Sum(item, MovementKind.Discount, m => m.ValueDate == day);
            if (given <= 0)
                continue;
            ItemDiscount[] steps = [.. item.AsOn(day).Discounts.Select(d => d.On(day))];
            var inForce = ItemDiscount.Best(steps, day, item.Opened)?.Amount.Minor ?? 0;
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

    // What payments earned, by the very rule by which it can still be granted; of several days the last one names it.
    private static DiscountLeak? NotGranted(Item item, RoundingRule rounding)
    {
        var (last, most) = (item.Discounts.Max(d => d.LastDay), item.Discounts.Max(d => d.Amount));
        if (
            item.Given(DateOnly.MaxValue) >= most
            || !item.Movements.Any(m => m.Kind == MovementKind.Cash && m.ValueDate <= last)
        )
            return null;
        DiscountLeak? leak = null;
        var zero = Money.Zero(item.Currency);
        foreach (var paid in PaidPart.Of(item).TakeWhile(p => p.Day <= last))
            if (
                MissedDiscount.Of(paid, item, inAdvance: false, zero, rounding)
                is [{ Earned: true, Step: var step }, ..]
            )
                leak = new(
                    LeakKind.NotGranted,
                    paid.Day,
                    item.PartPayments && leak is { } before ? before.Amount + step.Amount : step.Amount,
                    step.LastDay
                );
        return leak;
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
