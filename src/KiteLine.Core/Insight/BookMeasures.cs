using System.Collections.Concurrent;

namespace KiteLine.Core;

/// <summary>
/// The measures of accounts over a period, in the base currency. Amounts are as the books showed them on the days named:
/// what opens counts from the later of its date and the day it was posted, and what is taken back counts against the period
/// in which it was; so a period that has passed never changes. Days to pay go by value.
/// </summary>
public sealed record BookMeasures
{
    /// <summary>The period.</summary>
    public required MeasuredPeriod Period { get; init; }

    /// <summary>Debits less credits at the end of the day before the period.</summary>
    public required MoneySum ReceivablesStart { get; init; }

    /// <summary>Debits less credits at its end.</summary>
    public required MoneySum ReceivablesEnd { get; init; }

    /// <summary>The part of them that is not yet due.</summary>
    public required MoneySum NotDueEnd { get; init; }

    /// <summary>Invoices less credit notes with tax, month by month, the latest last.</summary>
    public required IReadOnlyList<MonthSales> Months { get; init; }

    /// <summary>How long receivables are out and how well they are collected.</summary>
    public required ReceivablesMeasures Ratios { get; init; }

    /// <summary>Cash of the period by value that settled invoices.</summary>
    public required MoneySum Paid { get; init; }

    /// <summary>From invoice to payment, weighted by the cash; null without any.</summary>
    public required decimal? DaysToPay { get; init; }

    /// <summary>From due date to payment, weighted by the cash; negative is early; null without any.</summary>
    public required decimal? DaysLate { get; init; }

    /// <summary>Late charges and reminder fees raised.</summary>
    public required MoneySum ChargesRaised { get; init; }

    /// <summary>Cash that settled them.</summary>
    public required MoneySum ChargesPaid { get; init; }

    /// <summary>Those taken back or corrected downwards.</summary>
    public required MoneySum ChargesReversed { get; init; }

    /// <summary>What is open of all at the end.</summary>
    public required MoneySum ChargesOpen { get; init; }

    /// <summary>Currencies whose accounts are left out, as there is no rate on one of the days.</summary>
    public required IReadOnlyList<Currency> WithoutRate { get; init; }

    /// <summary>Works them out.</summary>
    /// <param name="paidBefore">What was paid before the books began of invoices brought in in part, by account.</param>
    public static BookMeasures Of(
        IReadOnlyList<BookAccount> accounts,
        MeasuredPeriod period,
        ExchangeRates rates,
        ILookup<long, PaidBefore> paidBefore
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(period);
        ArgumentNullException.ThrowIfNull(rates);
        ArgumentNullException.ThrowIfNull(paidBefore);
        var all = new Dictionary<Currency, MeasureSums>();
        var gate = new Lock();
        Parallel.ForEach(
            Partitioner.Create(0, Math.Max(1, accounts.Count)),
            () => new Dictionary<Currency, MeasureSums>(),
            (range, _, mine) =>
            {
                for (var i = range.Item1; i < Math.Min(range.Item2, accounts.Count); i++)
                {
                    if (!mine.TryGetValue(accounts[i].Currency, out var sums))
                        mine.Add(accounts[i].Currency, sums = new(period));
                    sums.Add(accounts[i]);
                    foreach (var before in paidBefore[accounts[i].Id])
                        sums.AddSold(before.Date, before.Minor);
                }

                return mine;
            },
            mine =>
            {
                lock (gate)
                    foreach (var (currency, sums) in mine)
                        if (all.TryGetValue(currency, out var sum))
                            sum.Add(sums);
                        else
                            all.Add(currency, sums);
            }
        );
        return Of(period, all, rates);
    }

    private static BookMeasures Of(MeasuredPeriod period, Dictionary<Currency, MeasureSums> all, ExchangeRates rates)
    {
        DateOnly[] days = [period.Eve, .. period.MonthEnds];
        var without = all
            .Keys.Where(c => days.Any(day => rates.Missing(c, rates.Base, day) is not null))
            .OrderBy(c => c.Code, StringComparer.Ordinal)
            .ToArray();
        var told = all.Where(s => !without.Contains(s.Key)).ToArray();
        MoneySum Sum(DateOnly day, Func<MeasureSums, Int128> of) =>
            new(
                told.Aggregate(Int128.Zero, (sum, s) => sum + (rates.ToBase(new(of(s.Value), s.Key), day)?.Minor ?? 0)),
                rates.Base
            );
        // Days are weighted by the cash as it is worth in the base currency.
        decimal? Weighted(Func<MeasureSums, Int128> of)
        {
            decimal sum = 0,
                weights = 0;
            foreach (var (currency, s) in told)
            {
                if (s.Paid == 0 || rates.ToBase(new(s.Paid, currency), period.To) is not { } paid)
                    continue;
                sum += (decimal)of(s) / (decimal)s.Paid * paid.Amount;
                weights += paid.Amount;
            }

            return weights == 0 ? null : sum / weights;
        }

        var (start, end, notDue) = (
            Sum(period.Eve, s => s.Start),
            Sum(period.To, s => s.End),
            Sum(period.To, s => s.NotDue)
        );
        var monthDays = period.MonthDays;
        var months = period
            .MonthEnds.Select((day, i) => new MonthSales(monthDays[i], Sum(day, s => s.Sales[i]).Amount))
            .ToArray();
        return new()
        {
            Period = period,
            ReceivablesStart = start,
            ReceivablesEnd = end,
            NotDueEnd = notDue,
            Months = months,
            Ratios = ReceivablesMeasures.Of(start.Amount, end.Amount, notDue.Amount, months),
            Paid = Sum(period.To, s => s.Paid),
            DaysToPay = Weighted(s => s.PaidDaysToPay),
            DaysLate = Weighted(s => s.PaidDaysLate),
            ChargesRaised = Sum(period.To, s => s.ChargesRaised),
            ChargesPaid = Sum(period.To, s => s.ChargesPaid),
            ChargesReversed = Sum(period.To, s => s.ChargesReversed),
            ChargesOpen = Sum(period.To, s => s.ChargesOpen),
            WithoutRate = without,
        };
    }
}
