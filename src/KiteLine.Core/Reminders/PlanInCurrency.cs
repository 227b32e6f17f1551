namespace KiteLine.Core;

/// <summary>
/// A reminder plan for an account in another currency: the amounts that the company gives for that currency, and the
/// others converted at the rate of the day and rounded to its minor unit.
/// </summary>
public static class PlanInCurrency
{
    /// <summary>
    /// The plan with its amounts in a currency; null where it needs a rate and there is none of the day.
    /// </summary>
    public static ReminderPlan? In(this ReminderPlan plan, Currency currency, DateOnly day, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(rates);
        if (ReferenceEquals(currency, rates.Base))
            return plan;
        var missing = false;
        decimal Converted(decimal amount)
        {
            if (amount == 0)
                return 0;
            if (rates.FromBase(amount, currency, day) is { } converted)
                return converted.Amount;
            missing = true;
            return 0;
        }

        ReminderFee? Fee(ReminderFee? fee) =>
            fee switch
            {
                ReminderFee.PerLetter(var amount) => new ReminderFee.PerLetter(Converted(amount)),
                ReminderFee.PerItem(var amount) => new ReminderFee.PerItem(Converted(amount)),
                ReminderFee.ByBand(var bands) => new ReminderFee.ByBand([
                    .. bands.Select(b => new FeeBand(Converted(b.From), Converted(b.Amount))),
                ]),
                _ => fee,
            };

        ReminderLevel[] levels =
        [
            .. plan.Levels.Select(level =>
            {
                var given = level.InOtherCurrencies.FirstOrDefault(a => a.Currency == currency.Code);
                return level with
                {
                    LeastOverdue = given?.LeastOverdue ?? Converted(level.LeastOverdue),
                    Fee = given?.Fee ?? Fee(level.Fee),
                    MostFee = level.MostFee is { } most ? given?.MostFee ?? Converted(most) : null,
                };
            }),
        ];
        return missing ? null : plan with { Levels = levels };
    }
}
