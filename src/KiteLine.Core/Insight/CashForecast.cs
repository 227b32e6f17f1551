namespace KiteLine.Core;

/// <summary>The cash expected in the weeks after a day, by how sure it is, in the base currency at the day's rates.</summary>
/// <param name="Weeks">The first begins on the day after.</param>
/// <param name="Later">Expected after the last week.</param>
/// <param name="Disputed">In dispute: in no week.</param>
/// <param name="HandedOver">Of accounts handed over: in no week.</param>
/// <param name="WithoutRate">Currencies that are left out, as there is no rate for the day.</param>
public sealed record CashForecast(
    DateOnly Day,
    IReadOnlyList<CashWeek> Weeks,
    MoneySum Later,
    MoneySum Disputed,
    MoneySum HandedOver,
    IReadOnlyList<Currency> WithoutRate
)
{
    /// <summary>A quarter of a year.</summary>
    public const int Length = 13;

    /// <summary>The week of a day, counted from 0; null for a day before the first and for none.</summary>
    public static int? WeekOf(DateOnly day, DateOnly? on) =>
        on is { } date && date > day ? (date.DayNumber - day.DayNumber - 1) / 7 : null;

    /// <summary>Works it out.</summary>
    public static CashForecast Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        BusinessCalendar calendar,
        ExchangeRates rates
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(rates);
        // Of each currency: three sums for each week, what comes later, what is disputed and what was handed over.
        const int Later = Length * 3,
            Disputed = Later + 1,
            HandedOver = Later + 2;
        var all = new Dictionary<Currency, Int128[]>();
        var gate = new Lock();
        Parallel.ForEach(
            accounts,
            () => new Dictionary<Currency, Int128[]>(),
            (account, _, mine) =>
            {
                if (!mine.TryGetValue(account.Currency, out var sums))
                    mine.Add(account.Currency, sums = new Int128[HandedOver + 1]);
                foreach (var cash in ExpectedCash.Of(account, day, calendar))
                {
                    var at = cash.Certainty switch
                    {
                        CashCertainty.Disputed => Disputed,
                        CashCertainty.HandedOver => HandedOver,
                        _ when WeekOf(day, cash.On) is { } week && week < Length => (week * 3) + (int)cash.Certainty,
                        _ => Later,
                    };
                    sums[at] += cash.Minor;
                }

                return mine;
            },
            mine =>
            {
                lock (gate)
                    foreach (var (currency, sums) in mine)
                        if (all.TryGetValue(currency, out var sum))
                            for (var i = 0; i < sum.Length; i++)
                                sum[i] += sums[i];
                        else
                            all.Add(currency, sums);
            }
        );
        var without = all.Keys.Where(c => rates.Missing(c, rates.Base, day) is not null).ToArray();
        MoneySum Sum(int at) =>
            new(
                all.Aggregate(
                    Int128.Zero,
                    (sum, s) => sum + (rates.ToBase(new(s.Value[at], s.Key), day)?.Minor ?? Int128.Zero)
                ),
                rates.Base
            );
        return new(
            day,
            [
                .. Enumerable
                    .Range(0, Length)
                    .Select(w => new CashWeek(
                        day.AddDays((w * 7) + 1),
                        day.AddDays((w * 7) + 7),
                        Sum((w * 3) + (int)CashCertainty.Promised),
                        Sum((w * 3) + (int)CashCertainty.Usual),
                        Sum((w * 3) + (int)CashCertainty.Late)
                    )),
            ],
            Sum(Later),
            Sum(Disputed),
            Sum(HandedOver),
            [.. without.OrderBy(c => c.Code, StringComparer.Ordinal)]
        );
    }
}
