using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ReceivablesMeasuresTests
{
    private static ReceivablesMeasures Of(
        decimal start,
        decimal end,
        decimal notDue,
        params (int Days, decimal Sales)[] months
    ) => ReceivablesMeasures.Of(start, end, notDue, [.. months.Select(m => new MonthSales(m.Days, m.Sales))]);

    /// <summary>
    /// Source: textbook cases of credit management, from memory: receivables of 400,000 on a quarter's sales of 900,000 are 40
    /// days; with 300,000 of them not yet due 30 are the best possible and 10 the average delinquency.
    /// </summary>
    [Fact]
    public void Days_sales_outstanding_best_possible_and_what_lies_between()
    {
        var m = Of(350_000, 400_000, 300_000, (30, 300_000), (30, 300_000), (30, 300_000));
        (m.SalesOutstanding, m.BestPossible, m.AverageDelinquent).ShouldBe((40m, 30m, 10m));
    }

    /// <summary>
    /// Source: the Credit Research Foundation's definition, from memory; worked by hand: of 350,000 and 900,000 less 300,000 not
    /// due there were 950,000 to collect, and 850,000 was collected.
    /// </summary>
    [Fact]
    public void Collection_effectiveness_is_what_was_collected_of_what_could_be()
    {
        var m = Of(350_000, 400_000, 300_000, (90, 900_000));
        ReceivablesMeasures.Rounded(m.CollectionEffectiveness!.Value).ShouldBe(89.4737m);
        Of(0, 100, 100, (30, 100)).CollectionEffectiveness.ShouldBeNull();
    }

    /// <summary>Worked by hand.</summary>
    [Fact]
    public void Count_back_takes_the_latest_months_off_in_full_and_the_last_in_proportion()
    {
        // 31 days for the 200 of March, 28 for the 100 of February, and 50 of the 100 of January are half its 31 days.
        Of(0, 350, 0, (31, 100), (28, 100), (31, 200)).CountBack.ShouldBe(31 + 28 + 15.5m);
        // Just used up.
        var used = Of(0, 300, 0, (31, 100), (28, 100), (31, 200));
        (used.CountBack, used.MonthsExhausted).ShouldBe((59m, false));
        var all = Of(0, 400, 0, (31, 100), (28, 100), (31, 200));
        (all.CountBack, all.MonthsExhausted).ShouldBe((90m, false));
        var beyond = Of(0, 400.01m, 0, (31, 100), (28, 100), (31, 200));
        (beyond.CountBack, beyond.MonthsExhausted).ShouldBe((90m, true));
    }

    [Fact]
    public void A_month_in_which_more_was_credited_than_sold_is_added_back()
    {
        // 150 less 100 of March, 50 and the 30 of February are 80: of the 160 of January half, and all days of the others.
        Of(0, 150, 0, (30, 160), (28, -30), (31, 100)).CountBack.ShouldBe(31 + 28 + 15m);
    }

    [Fact]
    public void Receivables_of_zero_or_less_are_no_days_and_without_sales_there_is_no_figure()
    {
        var none = Of(0, -5, 0, (31, 100));
        (none.SalesOutstanding, none.BestPossible, none.AverageDelinquent, none.CountBack).ShouldBe((0m, 0m, 0m, 0m));
        var idle = Of(10, 10, 10, (31, 0));
        (idle.SalesOutstanding, idle.BestPossible, idle.AverageDelinquent).ShouldBe((null, null, null));
        (idle.CountBack, idle.MonthsExhausted, idle.CollectionEffectiveness).ShouldBe((31m, true, null));
    }

    [Theory]
    [InlineData(3.72905, "3.7291")]
    [InlineData(-3.72905, "-3.7291")]
    public void A_figure_is_rounded_once_half_away_from_zero(decimal measure, string told) =>
        $"{ReceivablesMeasures.Rounded(measure)}".ShouldBe(told);

    [Fact]
    public void Workings_tell_the_formula_with_its_figures() =>
        Of(350, 400, 300, (90, 900))
            .Workings(350, 400, 300, 90)
            .Select(w => $"{w.Label}: {w.Formula} = {w.Value}")
            .ShouldBe([
                "Sales of the period: sum of the months = 900",
                "Days sales outstanding: 400 / 900 × 90 = 40",
                "Count-back: the months' sales taken off 400 from the latest backwards = 40",
                "Best possible: 300 / 900 × 90 = 30",
                "Average days delinquent: days sales outstanding − best possible = 10",
                "Collection effectiveness: (350 + 900 − 400) / (350 + 900 − 300) × 100 = 89.4737",
            ]);
}
