namespace KiteLine.Core;

/// <summary>What a credit committee looks at: twelve months of an account, in its currency.</summary>
/// <param name="Months">The latest last.</param>
/// <param name="Year">The measures of the twelve months together.</param>
/// <param name="Discounts">How its discounts were used in them.</param>
/// <param name="Promises">What became of the promises made in them.</param>
/// <param name="Then">How it stood on the day since which changes are told.</param>
/// <param name="Now">How it stands on the day.</param>
public sealed record AccountOverview(
    IReadOnlyList<OverviewMonth> Months,
    BookMeasures Year,
    DiscountUptake Discounts,
    PromisesKept Promises,
    AccountPosition Then,
    AccountPosition Now
)
{
    private const int Shown = 12;

    /// <summary>
    /// The day on which its limit was last looked at: when the last change was recorded before a day, or ninety days before
    /// where there was none.
    /// </summary>
    public static DateOnly LastLook(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        return account
            .Limits.Where(l => l.Recorded < day && l.Recorded > DateOnly.MinValue)
            .Select(l => l.Recorded)
            .DefaultIfEmpty(day.AddDays(-90))
            .Max();
    }

    /// <summary>Works it out.</summary>
    /// <param name="since">The day to compare with.</param>
    /// <param name="rulesOn">How the company looks at where accounts stand on a day.</param>
    /// <param name="paidBefore">What was paid before the books began of invoices brought in in part.</param>
    /// <param name="outcomes">What became of the discounts of its items.</param>
    public static AccountOverview Of(
        BookAccount account,
        DateOnly day,
        DateOnly since,
        Func<DateOnly, PositionRules> rulesOn,
        RoundingRule rounding,
        IReadOnlyList<PaidBefore> paidBefore,
        IReadOnlyList<DiscountOutcome> outcomes
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rulesOn);
        // In its own currency nothing needs a rate.
        var rates = new ExchangeRates(account.Currency, [], 0, rounding);
        var before = paidBefore.ToLookup(_ => account.Id);
        var months = new MeasuredPeriod(new(day.Year, day.Month, 1), day).Rolling(Shown);
        var year = new MeasuredPeriod(months[0].From, day);
        return new(
            [
                .. months.Select(month =>
                {
                    var m = BookMeasures.Of([account], month, rates, before);
                    var p = AccountPosition.On(account, month.To, rulesOn(month.To));
                    return new OverviewMonth(
                        month.From,
                        month.To,
                        new((Int128)(m.Ratios.Sales * account.Currency.MinorPerMajor), account.Currency),
                        Money.FromMinor(p.Exposure, account.Currency),
                        Money.FromMinor(p.EffectiveLimit, account.Currency),
                        m.Paid,
                        m.DaysToPay,
                        m.DaysLate
                    );
                }),
            ],
            BookMeasures.Of([account], year, rates, before),
            DiscountUptake.Of(outcomes, year, rates),
            PromisesKept.Of(account, year.From, day, rulesOn(day).Calendar),
            AccountPosition.On(account, since, rulesOn(since)),
            AccountPosition.On(account, day, rulesOn(day))
        );
    }
}
