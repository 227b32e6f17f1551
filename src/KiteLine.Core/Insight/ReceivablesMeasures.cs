namespace KiteLine.Core;

/// <summary>
/// How long receivables are out and how well they are collected over a period, unrounded. Definitions as common in the credit
/// trade's handbooks, from memory; those of the Credit Research Foundation for the last two.
/// </summary>
/// <param name="Sales">Of all months, in major units.</param>
/// <param name="SalesOutstanding">Days of sales that the receivables at the end are: <c>R1 / S × D</c>. Null without
/// sales.</param>
/// <param name="CountBack">Days that go by when the months' sales are taken off the receivables at the end, from the latest
/// month backwards, the last one in proportion.</param>
/// <param name="MonthsExhausted">The months given were not enough for the count-back: it is all their days.</param>
/// <param name="BestPossible">Days of sales that are not yet due: <c>C1 / S × D</c>. Null without sales.</param>
/// <param name="AverageDelinquent">Days by which the one exceeds the other. Null without sales.</param>
/// <param name="CollectionEffectiveness"><c>(R0 + S − R1) / (R0 + S − C1) × 100</c>. Null where there was nothing to
/// collect.</param>
public sealed record ReceivablesMeasures(
    decimal Sales,
    decimal? SalesOutstanding,
    decimal CountBack,
    bool MonthsExhausted,
    decimal? BestPossible,
    decimal? AverageDelinquent,
    decimal? CollectionEffectiveness
)
{
    /// <summary>Works them out.</summary>
    /// <param name="start">Receivables at the start of the period, in major units of one currency.</param>
    /// <param name="end">Receivables at its end.</param>
    /// <param name="notDueEnd">What of them is not yet due.</param>
    /// <param name="months">The months that make up the period, the latest last; at least one.</param>
    public static ReceivablesMeasures Of(
        decimal start,
        decimal end,
        decimal notDueEnd,
        IReadOnlyList<MonthSales> months
    )
    {
        ArgumentNullException.ThrowIfNull(months);
        var (sales, days) = (months.Sum(m => m.Sales), months.Sum(m => m.Days));
        var outstanding = Days(end, sales, days);
        var best = Days(notDueEnd, sales, days);
        var (countBack, exhausted) = CountedBack(end, months);
        var toCollect = start + sales - notDueEnd;
        return new(
            sales,
            outstanding,
            countBack,
            exhausted,
            best,
            outstanding - best,
            toCollect == 0 ? null : (start + sales - end) * 100 / toCollect
        );
    }

    // Receivables of zero or less are no days of sales.
    private static decimal? Days(decimal receivables, decimal sales, int days) =>
        sales == 0 ? null
        : receivables <= 0 ? 0
        : receivables * days / sales;

    private static (decimal Days, bool Exhausted) CountedBack(decimal receivables, IReadOnlyList<MonthSales> months)
    {
        var (left, days) = (receivables, 0m);
        for (var i = months.Count - 1; i >= 0 && left > 0; i--)
        {
            var month = months[i];
            if (left < month.Sales)
                return (days + (left * month.Days / month.Sales), false);
            // Of a month in which more was credited than sold the difference is added back.
            left -= month.Sales;
            days += month.Days;
        }

        return (days, left > 0);
    }

    /// <summary>The derivation as lines.</summary>
    public IReadOnlyList<Working> Workings(decimal start, decimal end, decimal notDueEnd, int days)
    {
        static string Text(decimal? value) => value is { } v ? Exactly.Plain(Rounded(v)) : "—";
        return
        [
            new("Sales of the period", "sum of the months", Exactly.Plain(Sales)),
            new(
                "Days sales outstanding",
                $"{Exactly.Plain(end)} / {Exactly.Plain(Sales)} × {days}",
                Text(SalesOutstanding)
            ),
            new(
                "Count-back",
                $"the months' sales taken off {Exactly.Plain(end)} from the latest backwards"
                    + (MonthsExhausted ? "; the months given are not enough" : ""),
                Text(CountBack)
            ),
            new("Best possible", $"{Exactly.Plain(notDueEnd)} / {Exactly.Plain(Sales)} × {days}", Text(BestPossible)),
            new("Average days delinquent", "days sales outstanding − best possible", Text(AverageDelinquent)),
            new(
                "Collection effectiveness",
                $"({Exactly.Plain(start)} + {Exactly.Plain(Sales)} − {Exactly.Plain(end)}) / ({Exactly.Plain(start)} + "
                    + $"{Exactly.Plain(Sales)} − {Exactly.Plain(notDueEnd)}) × 100",
                Text(CollectionEffectiveness)
            ),
        ];
    }

    /// <summary>A measure as it is told: four decimals, half away from zero.</summary>
    public static decimal Rounded(decimal measure) => Math.Round(measure, 4, MidpointRounding.AwayFromZero);
}
