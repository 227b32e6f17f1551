using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class MoneyTests
{
    [Theory]
    [InlineData("GBP", "1176.00", 117600)]
    [InlineData("JPY", "1176", 1176)]
    [InlineData("KWD", "1.234", 1234)]
    [InlineData("CLF", "1.2345", 12345)]
    public void An_amount_is_held_in_minor_units_of_its_currency(string code, string amount, long minor)
    {
        var money = Money.Exact(Reference.Number(amount), Currency.Of(code));
        money.Minor.ShouldBe(minor);
        money.ToString().ShouldBe(amount);
    }

    [Fact]
    public void A_fraction_of_a_penny_is_refused()
    {
        var refused = Should.Throw<ArgumentException>(() => Given.Pounds(1.005m));
        refused.Message.ShouldContain("GBP");
    }

    [Theory]
    [InlineData("2.345", "2.35", "2.34")]
    [InlineData("2.355", "2.36", "2.36")]
    [InlineData("-2.345", "-2.35", "-2.34")]
    [InlineData("2.3449999", "2.34", "2.34")]
    public void Half_a_penny_goes_the_way_the_company_chose(string exact, string awayFromZero, string toEven)
    {
        Money
            .Round(Reference.Number(exact), Given.Gbp, RoundingRule.HalfAwayFromZero)
            .ToString()
            .ShouldBe(awayFromZero);
        Money.Round(Reference.Number(exact), Given.Gbp, RoundingRule.HalfToEven).ToString().ShouldBe(toEven);
    }

    [Fact]
    public void Currencies_are_never_mixed()
    {
        var euro = Money.Exact(1, Currency.Of("EUR"));
        Should.Throw<InvalidOperationException>(() => Given.Pounds(1) + euro).Message.ShouldContain("without a rate");
        Should.Throw<InvalidOperationException>(() => Given.Pounds(1) < euro);
    }

    [Fact]
    public void A_sum_beyond_what_can_be_held_is_an_error_and_not_a_wrong_figure() =>
        Should.Throw<OverflowException>(() => Money.FromMinor(long.MaxValue, Given.Gbp) + Given.Pounds(0.01m));

    [Fact]
    public void A_value_without_currency_cannot_be_used() =>
        Should.Throw<InvalidOperationException>(() => default(Money).Currency);

    [Fact]
    public void Parts_in_proportion_add_up_to_the_whole() =>
        Gen.Select(Gen.Long[-10_000_000, 10_000_000], Gen.Int[0, 1000].Array[1, 9].Where(w => w.Sum() > 0))
            .Sample(
                (minor, weights) =>
                {
                    var parts = Shares.InProportion(
                        Money.FromMinor(minor, Given.Gbp),
                        [.. weights.Select(w => (decimal)w)],
                        RoundingRule.HalfAwayFromZero
                    );
                    parts.Length.ShouldBe(weights.Length);
                    parts.Sum(p => p.Minor).ShouldBe(minor);
                    for (var i = 0; i < parts.Length; i++)
                        if (weights[i] == 0)
                            parts[i].Minor.ShouldBe(0);
                }
            );

    [Fact]
    public void The_last_part_takes_what_rounding_leaves()
    {
        var parts = Shares.InProportion(Given.Pounds(100), [1, 1, 1], RoundingRule.HalfAwayFromZero);
        parts.Select(p => p.ToString()).ShouldBe(["33.33", "33.33", "33.34"]);
    }

    [Fact]
    public void Nothing_can_be_divided_by_no_weight()
    {
        Should.Throw<ArgumentException>(() =>
            Shares.InProportion(Given.Pounds(1), [0m, 0m], RoundingRule.HalfAwayFromZero)
        );
        Should.Throw<ArgumentException>(() =>
            Shares.InProportion(Given.Pounds(1), [2m, -1m], RoundingRule.HalfAwayFromZero)
        );
    }
}
