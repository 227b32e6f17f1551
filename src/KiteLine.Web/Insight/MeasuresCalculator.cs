using System.Globalization;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Measures of receivables over a period.</summary>
internal static class MeasuresCalculator
{
    private const string Amount = "an amount such as 1176.00";

    internal static MeasuresAnswer Calculate(MeasuresRequest request)
    {
        var fields = new Fields();
        var start = Signed(fields, "receivablesStart", request.ReceivablesStart);
        var end = Signed(fields, "receivablesEnd", request.ReceivablesEnd);
        var notDue = Signed(fields, "notDueEnd", request.NotDueEnd);
        var months = (request.Months ?? [])
            .Select(
                (m, i) =>
                {
                    if (m.Days is not (> 0 and <= 31))
                        fields.Bad($"months[{i}].days", "Give the days of the month, 1 to 31.");
                    return new MonthSales(
                        Math.Clamp(m.Days ?? 1, 1, 31),
                        Signed(fields, $"months[{i}].sales", m.Sales)
                    );
                }
            )
            .ToArray();
        if (months.Length == 0)
            fields.Bad("months", "Give the months that make up the period, the latest last.");
        else if (request.Days != months.Sum(m => m.Days))
            fields.Bad("days", $"The months have {months.Sum(m => m.Days)} days; give the same.");
        fields.ThrowIfAny();

        var m = ReceivablesMeasures.Of(start, end, notDue, months);
        return new(
            m.Sales.ToString(CultureInfo.InvariantCulture),
            Text(m.SalesOutstanding),
            Text(m.CountBack)!,
            Text(m.BestPossible),
            Text(m.AverageDelinquent),
            Text(m.CollectionEffectiveness),
            m.MonthsExhausted
                ?
                [
                    new(
                        "months-exhausted",
                        "The months given have fewer sales than is open; the count-back is all their days"
                    ),
                ]
                : [],
            m.Workings(start, end, notDue, months.Sum(x => x.Days))
        );
    }

    private static decimal Signed(Fields fields, string name, string? text) =>
        fields.Number(name, text, -Bounds.Amount, Bounds.Amount, Amount);

    private static string? Text(decimal? measure) =>
        measure is { } m ? ReceivablesMeasures.Rounded(m).ToString("F4", CultureInfo.InvariantCulture) : null;
}
