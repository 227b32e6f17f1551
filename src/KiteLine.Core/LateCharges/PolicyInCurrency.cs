namespace KiteLine.Core;

/// <summary>
/// A late-charge policy for an account in another currency: the amounts that the company gives for that currency, and
/// the others converted at the rate of the day and rounded to its minor unit.
/// </summary>
public static class PolicyInCurrency
{
    /// <summary>
    /// The policy with its amounts in a currency; null where it needs a rate and there is none of the day.
    /// </summary>
    public static LateChargePolicy? In(
        this LateChargePolicy policy,
        Currency currency,
        DateOnly day,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(policy);
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(rates);
        if (ReferenceEquals(currency, rates.Base))
            return policy;
        var given = policy.InOtherCurrencies.FirstOrDefault(a => a.Currency == currency.Code);
        var missing = false;
        decimal? Amount(decimal? own, decimal? other)
        {
            if (own is not { } amount)
                return null;
            if (other is not null)
                return other;
            if (rates.FromBase(amount, currency, day) is { } converted)
                return converted.Amount;
            missing = true;
            return null;
        }

        var inCurrency = policy with
        {
            Minimum = Amount(policy.Minimum, given?.Minimum),
            Maximum = Amount(policy.Maximum, given?.Maximum),
            MaximumPerRun = Amount(policy.MaximumPerRun, given?.MaximumPerRun),
            MaximumOverLife = Amount(policy.MaximumOverLife, given?.MaximumOverLife),
            ExemptBelow = Amount(policy.ExemptBelow, given?.ExemptBelow),
            Bands =
                policy.Bands.Count == 0
                    ? policy.Bands
                    :
                    [
                        .. policy.Bands.Select(
                            (b, i) =>
                                b with
                                {
                                    Above =
                                        Amount(
                                            b.Above,
                                            given?.BandsAbove is { } above && i < above.Count ? above[i] : null
                                        ) ?? 0,
                                }
                        ),
                    ],
            Compensation =
                policy.Compensation.Count == 0
                    ? policy.Compensation
                    : given?.Compensation
                        ??
                        [
                            .. policy.Compensation.Select(c => new CompensationBand(
                                c.From == 0 ? 0 : Amount(c.From, null) ?? 0,
                                Amount(c.Amount, null) ?? 0
                            )),
                        ],
        };
        return missing ? null : inCurrency;
    }
}
