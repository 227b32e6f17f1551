namespace KiteLine.Core;

/// <summary>How the discounts whose deadline lay in a period were used, and what leaked in it, in the base currency.</summary>
/// <param name="OfferedItems">Items whose last deadline lay in the period.</param>
/// <param name="UsedItems">Those of them on which a discount was given in time.</param>
/// <param name="Used">What was given in time on them.</param>
/// <param name="AllowedLate">Given after the last day, by the value date of the payment.</param>
/// <param name="WrittenOff">Deducted after the last day and written off.</param>
/// <param name="NotGranted">Earned and never granted.</param>
/// <param name="AnnualCost">What the discounts used cost a year, as a fraction of the money that came before its due date for
/// them: <c>used × 365 / Σ(cash × days before due)</c>; null where none came earlier.</param>
public sealed record DiscountUptake(
    int OfferedItems,
    int UsedItems,
    MoneySum Offered,
    MoneySum Used,
    MoneySum AllowedLate,
    MoneySum WrittenOff,
    MoneySum NotGranted,
    decimal? AnnualCost
)
{
    /// <summary>Used of offered by amount, 0 to 1; null where none was offered.</summary>
    public decimal? Share => Offered.Minor == 0 ? null : Used.Amount / Offered.Amount;

    /// <summary>Adds up outcomes. Other currencies are converted at the rate of the last day; without one they are left
    /// out.</summary>
    public static DiscountUptake Of(IEnumerable<DiscountOutcome> outcomes, MeasuredPeriod period, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(outcomes);
        ArgumentNullException.ThrowIfNull(period);
        ArgumentNullException.ThrowIfNull(rates);
        var (offeredItems, usedItems) = (0, 0);
        var sums = new Dictionary<Currency, Int128[]>();
        const int CashDays = 5;
        foreach (var outcome in outcomes)
        {
            var currency = outcome.Offered.Currency;
            if (!sums.TryGetValue(currency, out var of))
                sums.Add(currency, of = new Int128[CashDays + 1]);
            if (period.Holds(outcome.Deadline))
            {
                offeredItems++;
                usedItems += outcome.Used.Minor > 0 ? 1 : 0;
                of[0] += outcome.Offered.Minor;
                of[1] += outcome.Used.Minor;
                of[CashDays] += (Int128)outcome.CashDays;
            }

            for (var i = 0; i < outcome.Leaks.Count; i++)
                if (period.Holds(outcome.Leaks[i].Day))
                    of[2 + (int)outcome.Leaks[i].Kind] += outcome.Leaks[i].Amount.Minor;
        }

        MoneySum Sum(int at) =>
            new(
                sums.Aggregate(
                    Int128.Zero,
                    (sum, s) => sum + (rates.ToBase(new(s.Value[at], s.Key), period.To)?.Minor ?? 0)
                ),
                rates.Base
            );
        var (used, cashDays) = (Sum(1), Sum(CashDays));
        return new(
            offeredItems,
            usedItems,
            Sum(0),
            used,
            Sum(2 + (int)LeakKind.AllowedLate),
            Sum(2 + (int)LeakKind.WrittenOff),
            Sum(2 + (int)LeakKind.NotGranted),
            cashDays.Minor <= 0 ? null : used.Amount * 365 / cashDays.Amount
        );
    }
}
