using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Takes the measures of accounts over a period.</summary>
internal sealed class Measuring(Desk desk)
{
    /// <summary>What measures need of accounts beside what is in memory.</summary>
    internal AccountHistoryStore Histories { get; } = new(desk.Items);

    internal MeasuresView Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        MeasuredPeriod period,
        BookSnapshot book
    ) => Of(connection, accounts, [period], book)[0];

    /// <summary>The measures of several periods.</summary>
    internal IReadOnlyList<MeasuresView> Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        IReadOnlyList<MeasuredPeriod> periods,
        BookSnapshot book
    )
    {
        var histories = Histories.Of(connection, accounts, book.Settings.Rounding);
        var paidBefore = histories
            .SelectMany((h, i) => h.PaidBefore.Select(before => (accounts[i].Id, Before: before)))
            .ToLookup(h => h.Id, h => h.Before);
        // Gone through once for each period: together they are as large as what is kept of them.
        var outcomes = histories.SelectMany(h => h.Discounts).Select(o => o.Outcome);
        return
        [
            .. periods.Select(period =>
                View(
                    BookMeasures.Of(accounts, period, book.Rates, paidBefore),
                    DiscountUptake.Of(outcomes, period, book.Rates),
                    accounts.Count,
                    book
                )
            ),
        ];
    }

    private static MeasuresView View(BookMeasures m, DiscountUptake uptake, int accounts, BookSnapshot book)
    {
        var period = m.Period;
        var r = m.Ratios;
        return new(
            period.From,
            period.To,
            book.Rates.Base.Code,
            accounts,
            m.ReceivablesStart,
            m.ReceivablesEnd,
            m.NotDueEnd,
            new((Int128)(r.Sales * book.Rates.Base.MinorPerMajor), book.Rates.Base),
            Text(r.SalesOutstanding),
            Text(r.CountBack),
            Text(r.BestPossible),
            Text(r.AverageDelinquent),
            Text(r.CollectionEffectiveness),
            Text(m.DaysToPay),
            Text(m.DaysLate),
            uptake.OfferedItems,
            uptake.UsedItems,
            uptake.Offered,
            uptake.Used,
            Text(uptake.Share),
            Text(uptake.AnnualCost),
            new(uptake.AllowedLate, uptake.WrittenOff, uptake.NotGranted),
            m.ChargesRaised,
            m.ChargesPaid,
            m.ChargesReversed,
            m.ChargesOpen,
            [.. m.WithoutRate.Select(c => c.Code)],
            MeasuresWorkings.Of(m, uptake)
        );
    }

    private static string? Text(decimal? measure) =>
        measure is { } m ? ReceivablesMeasures.Rounded(m).ToString("F4", CultureInfo.InvariantCulture) : null;
}
