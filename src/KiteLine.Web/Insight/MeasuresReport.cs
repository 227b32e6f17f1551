using System.Globalization;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Measures side by side as a table to take away.</summary>
internal static class MeasuresReport
{
    internal static Report Of(MeasuresReader asked, MeasuresByView side) =>
        new(
            "Measures",
            [
                $"{Exactly.Day(asked.Period.From)} to {Exactly.Day(asked.Period.To)}, {asked.Scope.Words}, amounts in "
                    + asked.Book.Rates.Base.Code,
            ],
            [
                new(InsightScope.Name(new(side.By), asked.Book), Width: 1.8f),
                new("Receivables", Figure: true, Width: 1.3f),
                new("Sales", Figure: true, Width: 1.3f),
                new("DSO", Figure: true, Width: 0.8f),
                new("Best possible", Figure: true, Width: 1.1f),
                new("Delinquent", Figure: true, Width: 1),
                new("Effectiveness", Figure: true, Width: 1.2f),
                new("Days to pay", Figure: true, Width: 1.1f),
                new("Days late", Figure: true, Width: 1),
                new("Discounts used", Figure: true, Width: 1.3f),
                new("Leakage", Figure: true, Width: 1.1f),
            ],
            side.Items.Select(of => Row(of.Name.Length > 0 ? of.Name : "(none)", of.Measures)),
            [
                "DSO, best possible and delinquent are days; effectiveness is in percent. Leakage is what was allowed late, "
                    + "written off late, and not granted.",
            ]
        );

    private static ReportRow Row(string name, MeasuresView m) =>
        new([
            name,
            m.ReceivablesEnd.Amount,
            m.Sales.Amount,
            Number(m.Dso),
            Number(m.DsoBestPossible),
            Number(m.AverageDaysDelinquent),
            Number(m.CollectionEffectiveness),
            Number(m.DaysToPay),
            Number(m.DaysLate),
            m.DiscountUsed.Amount,
            m.Leakage.AllowedLate.Amount + m.Leakage.WrittenOff.Amount + m.Leakage.NotGranted.Amount,
        ]);

    private static decimal? Number(string? measure) =>
        measure is null ? null : Math.Round(decimal.Parse(measure, CultureInfo.InvariantCulture), 2);
}
