namespace KiteLine.Core;

/// <summary>The cash that came, beside what was expected of it.</summary>
public static class CashReceived
{
    /// <summary>
    /// Cash with a value date within some days, as the books show it on another, less what was taken back; in the base
    /// currency at the rate of the last of the days. Currencies without one are left out.
    /// </summary>
    public static MoneySum Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly from,
        DateOnly to,
        DateOnly shown,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(rates);
        return new(
            accounts
                .GroupBy(a => a.Currency)
                .Aggregate(
                    Int128.Zero,
                    (sum, of) =>
                        sum
                        + (
                            rates
                                .ToBase(
                                    new(
                                        of.Aggregate(Int128.Zero, (s, a) => s + a.ReceivedAsShown(from, to, shown)),
                                        of.Key
                                    ),
                                    to
                                )
                                ?.Minor
                            ?? Int128.Zero
                        )
                ),
            rates.Base
        );
    }
}
