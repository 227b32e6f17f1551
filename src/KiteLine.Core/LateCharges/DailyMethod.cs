namespace KiteLine.Core;

/// <summary>
/// The daily method: an overdue balance bears <c>balance × annual rate × day-count fraction</c> for each run of days
/// with one balance and one rate; the sum is rounded once.
/// </summary>
public static class DailyMethod
{
    /// <summary>
    /// The day after which charged days begin, or null while the wait lasts on <paramref name="through"/>.
    /// </summary>
    public static DateOnly? StartsAfter(LateChargePolicy policy, DateOnly due, DateOnly through)
    {
        ArgumentNullException.ThrowIfNull(policy);
        var endOfWait = due.AddDays(policy.WaitDays);
        if (through <= endOfWait)
            return null;
        return policy.CountFrom == CountFrom.DueDate ? due : endOfWait;
    }

    /// <summary>
    /// Appends the segments of one item to <paramref name="into"/>, in order of time and then of bands.
    /// </summary>
    /// <remarks>A day within the wait bears at most the balance at the end of the wait's last day: what was paid within
    /// it is never charged.</remarks>
    /// <param name="policy">The policy, which must have no <see cref="LateChargePolicy.Problems"/>; amounts in the
    /// item's currency.</param>
    /// <param name="amount">The amount the item opened with, in major units.</param>
    /// <param name="changes">Later changes in order of their dates; those before the due date count too.</param>
    /// <param name="due">The due date: paying on it costs nothing.</param>
    /// <param name="chargedThrough">The last day already charged, or null.</param>
    /// <param name="through">The last day to charge.</param>
    /// <param name="into">Takes the segments. Passing one list for many items saves memory.</param>
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
        ArgumentNullException.ThrowIfNull(into);
        if (StartsAfter(policy, due, through) is not { } eve)
            return;
        if (chargedThrough > eve)
            eve = chargedThrough.Value;

        var endOfWait = due.AddDays(policy.WaitDays);
        var most = eve < endOfWait ? BalanceAt(amount, changes, endOfWait) : decimal.MaxValue;
        var balance = amount;
        var change = 0;
        while (change < changes.Length && changes[change].Date <= eve)
            balance += changes[change++].Amount;
        var rates = policy.RatesFor(due, through);
        var rate = 0;
        while (rate < rates.Count && rates[rate].From <= eve.AddDays(1))
            rate++;

        while (eve < through)
        {
            var (end, bears) = (eve, eve < endOfWait ? Math.Min(balance, most) : balance);
            // The segment ends on the day on which what it bears changes, on the eve of the next rate, or on the last
            // day.
            do
            {
                var next = through;
                if (change < changes.Length && changes[change].Date < next)
                    next = changes[change].Date;
                if (end < endOfWait && endOfWait < next)
                    next = endOfWait;
                var newRate = rate < rates.Count && rates[rate].From.AddDays(-1) <= next;
                if (newRate)
                    next = rates[rate].From.AddDays(-1);
                while (change < changes.Length && changes[change].Date <= next)
                    balance += changes[change++].Amount;
                end = next;
                if (newRate)
                    break;
            } while (end < through && bears == (end < endOfWait ? Math.Min(balance, most) : balance));

            if (bears > 0)
                Segment(policy, bears, rate == 0 ? 0 : rates[rate - 1].AnnualRate, eve, end, into);
            while (rate < rates.Count && rates[rate].From <= end.AddDays(1))
                rate++;
            eve = end;
        }
    }

    /// <summary>Rounds the sum of the segments once and applies minimum and maximum to a total above zero.</summary>
    public static Money Total(
        LateChargePolicy policy,
        IReadOnlyList<ChargeSegment> segments,
        Currency currency,
        RoundingRule rounding
    ) => Bounded(policy, Accrued(segments, 0, Money.Zero(currency), rounding), rounding);

    /// <summary>
    /// What segments add to charges that came to <paramref name="charged"/> for <paramref name="exact"/> accrued: the
    /// sum of
    /// all is rounded once, so that charging in parts costs what charging at once costs.
    /// </summary>
    internal static Money Accrued(
        IReadOnlyList<ChargeSegment> segments,
        decimal exact,
        Money charged,
        RoundingRule rounding
    ) =>
        segments.Count == 0
            ? Money.Zero(charged.Currency)
            : Money.Max(
                Money.Zero(charged.Currency),
                Money.Round(Math.Round(exact + ChargeSegment.Sum(segments), 18), charged.Currency, rounding) - charged
            );

    /// <summary>Applies minimum and maximum to an amount above zero.</summary>
    internal static Money Bounded(LateChargePolicy policy, Money total, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(policy);
        var currency = total.Currency;
        if (total.Minor <= 0)
            return Money.Zero(currency);
        if (policy.Minimum is { } minimum && total.Amount < minimum)
        {
            if (policy.BelowMinimum == BelowMinimum.Skip)
                return Money.Zero(currency);
            total = Money.Round(minimum, currency, rounding);
        }

        return policy.Maximum is { } maximum && total.Amount > maximum
            ? Money.Round(maximum, currency, rounding)
            : total;
    }

    /// <summary>The balance at the end of a day.</summary>
    internal static decimal BalanceAt(decimal amount, ReadOnlySpan<BalanceChange> changes, DateOnly day)
    {
        foreach (var change in changes)
            if (change.Date <= day)
                amount += change.Amount;
        return amount;
    }

    private static void Segment(
        LateChargePolicy policy,
        decimal balance,
        decimal baseRate,
        DateOnly eve,
        DateOnly end,
        List<ChargeSegment> into
    )
    {
        var part = policy.DayCount.Fraction(eve, end);
        var from = eve.AddDays(1);
        var bands = policy.Bands;
        if (bands.Count == 0)
        {
            into.Add(new(from, end, balance, baseRate, part));
            return;
        }

        var (floor, rate) = (0m, baseRate);
        for (var i = 0; i <= bands.Count && balance > floor; i++)
        {
            var ceiling = i < bands.Count ? bands[i].Above : decimal.MaxValue;
            into.Add(new(from, end, Math.Min(balance, ceiling) - floor, rate, part));
            if (i < bands.Count)
                (floor, rate) = (ceiling, bands[i].AnnualRate);
        }
    }
}
