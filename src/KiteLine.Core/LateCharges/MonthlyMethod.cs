namespace KiteLine.Core;

/// <summary>The monthly method: a percentage of the overdue balance for each month that began, or that is complete.</summary>
/// <remarks>Months run from the start date: the due date, or the end of the wait. A day the month lacks is its last day.</remarks>
public static class MonthlyMethod
{
    /// <summary>Appends one segment for each month charged. Parameters as in <see cref="DailyMethod.Accrue"/>.</summary>
    public static void Accrue(
        LateChargePolicy policy, decimal amount, ReadOnlySpan<BalanceChange> changes,
        DateOnly due, DateOnly? chargedThrough, DateOnly through, List<ChargeSegment> into)
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(into);
        if (policy.Monthly is not { } monthly || DailyMethod.StartsAfter(policy, due, through) is not { } start) return;
        for (var month = 0; ; month++)
        {
            var eve = start.AddMonths(month);
            var end = start.AddMonths(month + 1);
            // A started month is charged on its first day, a full one on its last.
            var charged = monthly.Months == MonthsCounted.Started ? eve.AddDays(1) : end;
            if (charged > through) return;
            if (charged <= chargedThrough) continue;
            var balance = BalanceAt(amount, changes, monthly.Months == MonthsCounted.Started ? eve : end.AddDays(-1));
            if (balance > 0) into.Add(new(eve.AddDays(1), end, balance, monthly.Percent * 12, 1m / 12, balance * monthly.Percent / 100));
        }
    }

    // A change counts at the end of its day.
    private static decimal BalanceAt(decimal amount, ReadOnlySpan<BalanceChange> changes, DateOnly day)
    {
        foreach (var change in changes)
            if (change.Date <= day) amount += change.Amount;
        return amount;
    }
}
