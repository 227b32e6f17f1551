using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Takes the measures of accounts over a period.</summary>
internal sealed class Measuring(Desk desk)
{
    private readonly PaidBeforeStore _paidBefore = new();

    /// <summary>What became of the discounts that the accounts offered.</summary>
    internal DiscountOutcomeStore Outcomes { get; } = new(desk.Items);

    internal MeasuresView Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        MeasuredPeriod period,
        BookSnapshot book
    )
    {
        var m = BookMeasures.Of(accounts, period, book.Rates, _paidBefore.Of(connection, accounts));
        var outcomes = Outcomes.Of(connection, accounts, book.Settings.Rounding);
        var uptake = DiscountUptake.Of(outcomes.Values.SelectMany(o => o).Select(o => o.Outcome), period, book.Rates);
        var r = m.Ratios;
        return new(
            period.From,
            period.To,
            book.Rates.Base.Code,
            accounts.Count,
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
