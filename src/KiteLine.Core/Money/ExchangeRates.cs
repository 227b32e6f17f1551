namespace KiteLine.Core;

/// <summary>
/// Rates of a day between currencies, by way of the company's base currency. A rate says how many units of the base
/// currency one unit of another is worth.
/// </summary>
public sealed class ExchangeRates
{
    private readonly Currency _base;
    private readonly int _oldest;
    private readonly RoundingRule _rounding;
    private readonly Dictionary<Currency, ExchangeRate[]> _rates;

    /// <param name="oldest">A rate older than this many days is no rate of the day.</param>
    /// <param name="rounding">How a converted amount becomes a whole number of minor units.</param>
    public ExchangeRates(Currency baseCurrency, IEnumerable<ExchangeRate> rates, int oldest, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(baseCurrency);
        _base = baseCurrency;
        _oldest = oldest;
        _rounding = rounding;
        _rates = rates
            .GroupBy(r => r.Currency)
            .ToDictionary(g => g.Key, g => g.OrderBy(r => r.On).ThenBy(r => r.Recorded).ToArray());
    }

    /// <summary>The company's base currency, in which policies state their amounts.</summary>
    public Currency Base => _base;

    /// <summary>
    /// The latest rate of a currency on or before a day. What was recorded by that day goes before what came in later.
    /// Null when there is none, or only ones that are too old.
    /// </summary>
    public ExchangeRate? On(Currency currency, DateOnly day)
    {
        if (!_rates.TryGetValue(currency, out var rates))
            return null;
        ExchangeRate? then = null,
            since = null;
        foreach (var rate in rates)
        {
            if (rate.On > day || day.DayNumber - rate.On.DayNumber > _oldest)
                continue;
            since = rate;
            if (rate.Recorded <= day)
                then = rate;
        }

        return then ?? since;
    }

    /// <summary>
    /// The rates as they would be without those that somebody set on a business date: the same ones where there are none.
    /// </summary>
    public ExchangeRates Without(string by, DateOnly recorded)
    {
        bool IsTheirs(ExchangeRate rate) => rate.Recorded == recorded && by.Length > 0 && rate.By == by;
        return _rates.Values.Any(rates => Array.Exists(rates, IsTheirs))
            ? new(_base, _rates.Values.SelectMany(rates => rates).Where(r => !IsTheirs(r)), _oldest, _rounding)
            : this;
    }

    /// <summary>
    /// What a rate is compared with before it is taken down: the latest of the currency on or before its day, else the first
    /// after it, that somebody else set, or that was set more than a month ago; null where there is none. So no rate goes
    /// far in small steps.
    /// </summary>
    public ExchangeRate? Former(ExchangeRate rate, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(rate);
        var others = _rates
            .GetValueOrDefault(rate.Currency, [])
            .Where(r => r.By != rate.By || r.Recorded <= today.AddMonths(-1))
            .ToArray();
        return others.LastOrDefault(r => r.On <= rate.On) ?? others.FirstOrDefault();
    }

    /// <summary>An amount in another currency, rounded once to its minor unit; null when a rate is missing.</summary>
    public Money? Convert(Money amount, Currency to, DateOnly day)
    {
        if (ReferenceEquals(amount.Currency, to))
            return amount;
        return Factor(amount.Currency, day) is { } from && Factor(to, day) is { } into
            ? Money.Round(amount.Amount * from / into, to, _rounding)
            : null;
    }

    /// <summary>
    /// An amount in major units of the base currency as money of another; null when that has no rate of the day.
    /// </summary>
    public Money? FromBase(decimal amount, Currency to, DateOnly day) =>
        Factor(to, day) is { } into ? Money.Round(amount / into, to, _rounding) : null;

    /// <summary>The currency of the two that has no rate of the day, or null when both have.</summary>
    public Currency? Missing(Currency from, Currency to, DateOnly day) =>
        ReferenceEquals(from, to) ? null
        : Factor(from, day) is null ? from
        : Factor(to, day) is null ? to
        : null;

    /// <summary>
    /// A sum of many amounts in the base currency at the rate of a day, rounded once; null without a rate.
    /// </summary>
    public MoneySum? ToBase(MoneySum sum, DateOnly day)
    {
        if (ReferenceEquals(sum.Currency, _base))
            return sum;
        if (Factor(sum.Currency, day) is not { } rate)
            return null;
        return new((Int128)(_base.Round(sum.Amount * rate, _rounding) * _base.MinorPerMajor), _base);
    }

    private decimal? Factor(Currency currency, DateOnly day) =>
        ReferenceEquals(currency, _base) ? 1 : On(currency, day)?.Rate;

    /// <summary>Refuses a rate that cannot be taken down.</summary>
    /// <param name="at">Where its fields stand in what was sent.</param>
    /// <exception cref="RefusedException">It is not above zero, of the base currency, or dated after the business
    /// date.</exception>
    public static void RefuseUnlessSound(ExchangeRate rate, string at, string baseCurrency, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(rate);
        if (rate.Currency.Code == baseCurrency)
            throw new RefusedException(
                $"{at}.currency",
                $"{rate.Currency.Code} is the base currency; give rates of others."
            );
        if (rate.Rate is <= 0 or > 1_000_000)
            throw new RefusedException(
                $"{at}.rate",
                "A rate is above zero and at most 1,000,000: what one unit is worth in the base currency."
            );
        if (rate.On > today)
            throw new RefusedException(
                $"{at}.date",
                $"A rate is of the business date, {Exactly.Day(today)}, or before."
            );
    }
}
