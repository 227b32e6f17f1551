namespace KiteLine.Core;

/// <summary>
/// The daily method: an overdue balance bears <c>balance × annual rate × day-count fraction</c> for each run of days with
/// one balance and one rate; the sum is rounded once.
/// </summary>
public static class DailyMethod
{
    /// <summary>The day after which charged days begin, or null while the wait lasts on <paramref name="through"/>.</summary>
    public static DateOnly? StartsAfter(LateChargePolicy policy, DateOnly due, DateOnly through)
    {
        ArgumentNullException.ThrowIfNull(policy);
        var endOfWait = due.AddDays(policy.WaitDays);
        if (through <= endOfWait) return null;
        return policy.CountFrom == CountFrom.DueDate ? due : endOfWait;
    }

    /// <summary>Appends the segments of one item to <paramref name="into"/>, in order of time and then of bands.</summary>
    /// <param name="policy">The policy, which must have no <see cref="LateChargePolicy.Problems"/>.</param>
    /// <param name="amount">The amount the item opened with, in major units.</param>
    /// <param name="changes">Later changes in order of their dates; those before the due date count too.</param>
    /// <param name="due">The due date: paying on it costs nothing.</param>
    /// <param name="chargedThrough">The last day already charged, or null.</param>
    /// <param name="through">The last day to charge.</param>
    /// <param name="into">Takes the segments. Passing one list for many items saves memory.</param>
    public static void Accrue(
        LateChargePolicy policy, decimal amount, ReadOnlySpan<BalanceChange> changes,
        DateOnly due, DateOnly? chargedThrough, DateOnly through, List<ChargeSegment> into)
    {
        ArgumentNullException.ThrowIfNull(into);
        if (StartsAfter(policy, due, through) is not { } eve) return;
        if (chargedThrough > eve) eve = chargedThrough.Value;

        var balance = amount;
        var change = 0;
        while (change < changes.Length && changes[change].Date <= eve) balance += changes[change++].Amount;
        var rates = policy.RatesFor(due, through);
        var rate = 0;
        while (rate < rates.Count && rates[rate].From <= eve.AddDays(1)) rate++;

        while (eve < through)
        {
            // The segment ends on the day of the next change, on the eve of the next rate, or on the last day.
            var end = through;
            if (change < changes.Length && changes[change].Date < end) end = changes[change].Date;
            if (rate < rates.Count && rates[rate].From.AddDays(-1) < end) end = rates[rate].From.AddDays(-1);

            if (balance > 0) Segment(policy, balance, rate == 0 ? 0 : rates[rate - 1].AnnualRate, eve, end, into);

            while (change < changes.Length && changes[change].Date <= end) balance += changes[change++].Amount;
            while (rate < rates.Count && rates[rate].From <= end.AddDays(1)) rate++;
            eve = end;
        }
    }

    /// <summary>Rounds the sum of the segments once and applies minimum and maximum to a total above zero.</summary>
    public static Money Total(LateChargePolicy policy, IReadOnlyList<ChargeSegment> segments, Currency currency, RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(segments);
        var sum = 0m;
        for (var i = 0; i < segments.Count; i++) sum += segments[i].Amount;
        var total = Money.Round(sum, currency, rounding);
        if (total.Minor <= 0) return Money.Zero(currency);
        if (policy.Minimum is { } minimum && total.Amount < minimum)
        {
            if (policy.BelowMinimum == BelowMinimum.Skip) return Money.Zero(currency);
            total = Money.Round(minimum, currency, rounding);
        }

        return policy.Maximum is { } maximum && total.Amount > maximum ? Money.Round(maximum, currency, rounding) : total;
    }

    private static void Segment(LateChargePolicy policy, decimal balance, decimal baseRate, DateOnly eve, DateOnly end, List<ChargeSegment> into)
    {
        var fraction = policy.DayCount.YearFraction(eve, end);
        var from = eve.AddDays(1);
        var bands = policy.Bands;
        if (bands.Count == 0)
        {
            into.Add(new(from, end, balance, baseRate, fraction, balance * baseRate * fraction / 100));
            return;
        }

        var (floor, rate) = (0m, baseRate);
        for (var i = 0; i <= bands.Count && balance > floor; i++)
        {
            var ceiling = i < bands.Count ? bands[i].Above : decimal.MaxValue;
            var part = Math.Min(balance, ceiling) - floor;
            into.Add(new(from, end, part, rate, fraction, part * rate * fraction / 100));
            if (i < bands.Count) (floor, rate) = (ceiling, bands[i].AnnualRate);
        }
    }
}
