namespace KiteLine.Core;

/// <summary>
/// The monthly method: a percentage of the overdue balance for each month that began, or that is complete.
/// </summary>
/// <remarks>Months run from the start date: the due date, or the end of the wait. A day the month lacks is its last
/// day.</remarks>
public static class MonthlyMethod
{
    /// <summary>
    /// Appends one segment for each month charged. Parameters as in <see cref="DailyMethod.Accrue"/>.
    /// </summary>
    public static void Accrue(
        LateChargePolicy policy,
        decimal amount,
        ReadOnlySpan<BalanceChange> changes,
        DateOnly due,
        DateOnly? chargedThrough,
        DateOnly through,
        List<ChargeSegment> into
    )
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(into);
        if (policy.Monthly is not { } monthly || DailyMethod.StartsAfter(policy, due, through) is not { } start)
            return;
        var endOfWait = due.AddDays(policy.WaitDays);
        var most = start < endOfWait ? DailyMethod.BalanceAt(amount, changes, endOfWait) : decimal.MaxValue;
        for (var month = 0; ; month++)
        {
            var charged = ChargedOn(monthly, start, month);
            if (charged > through)
                return;
            if (charged <= chargedThrough)
                continue;
            var (eve, end) = (start.AddMonths(month), start.AddMonths(month + 1));
            var counts = monthly.Months == MonthsCounted.Started ? eve : end.AddDays(-1);
            var balance = DailyMethod.BalanceAt(amount, changes, counts);
            if (counts < endOfWait)
                balance = Math.Min(balance, most);
            if (balance > 0)
                into.Add(new(eve.AddDays(1), end, balance, monthly.Percent * 12, new(1, 12)));
        }
    }

    /// <summary>
    /// The day on which a month of an item is charged: a started month on its first day, a full one on its last.
    /// </summary>
    /// <param name="month">Counted from 0.</param>
    internal static DateOnly ChargedOn(MonthlyRate monthly, DateOnly start, int month) =>
        monthly.Months == MonthsCounted.Started ? start.AddMonths(month).AddDays(1) : start.AddMonths(month + 1);
}
