using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Suggested limits. Sales times days over 30 is common practice, no source.</summary>
public class SuggestedLimitTests
{
    private static readonly Currency Eur = Currency.Of("EUR");

    [Theory]
    [InlineData(6000, 6, 30, 0, "1000.00")]
    [InlineData(6000, 6, 30, 15, "1500.00")]
    [InlineData(6000, 6, 45, -20, "1500.00")]
    [InlineData(1000, 3, 14, 3.5, "194.44")]
    public void By_sales_it_is_what_usual_buying_takes_until_it_is_paid(
        int sales,
        int months,
        int terms,
        double late,
        string limit
    )
    {
        var suggestion = SuggestedLimit.BySales(
            Given.Pounds(sales),
            months,
            terms,
            (decimal)late,
            RoundingRule.HalfAwayFromZero
        );
        suggestion.Amount!.Value.ToString().ShouldBe(limit);
        suggestion.Workings[^1].Value.ShouldBe(limit);
    }

    [Fact]
    public void Without_what_a_method_needs_it_suggests_nothing_and_says_so()
    {
        SuggestedLimit.BySales(Given.Pounds(0), 6, 30, null, RoundingRule.HalfAwayFromZero).Amount.ShouldBeNull();
        SuggestedLimit.ByAgency(null, Given.Gbp, m => m).Workings.Single().Formula.ShouldContain("no report");
        SuggestedLimit.ByNetWorth(null, 10, Given.Gbp, m => m, RoundingRule.HalfAwayFromZero).Amount.ShouldBeNull();
        SuggestedLimit
            .BySales(Given.Pounds(600), 6, 30, null, RoundingRule.HalfAwayFromZero)
            .Workings[1]
            .Formula.ShouldContain("no history");
    }

    [Fact]
    public void What_an_agency_says_is_converted_with_the_rate_of_the_day()
    {
        var report = new AgencyReport("Agency", new(2026, 3, 1), "B", Money.Exact(5000, Eur), Money.Exact(80_000, Eur));
        var rates = new ExchangeRates(Given.Gbp, [new(Eur, new(2026, 3, 16), 0.85m)], 7, RoundingRule.HalfAwayFromZero);
        Money? Convert(Money m) => rates.Convert(m, Given.Gbp, new(2026, 3, 16));
        SuggestedLimit.ByAgency(report, Given.Gbp, Convert).Amount.ShouldBe(Given.Pounds(4250));
        SuggestedLimit
            .ByNetWorth(report.NetWorth, 10, Given.Gbp, Convert, RoundingRule.HalfAwayFromZero)
            .Amount.ShouldBe(Given.Pounds(6800));
        SuggestedLimit
            .ByNetWorth(report.NetWorth, 10, Given.Gbp, _ => null, RoundingRule.HalfAwayFromZero)
            .Workings[^1]
            .Formula.ShouldBe("no rate of the day");
    }
}
