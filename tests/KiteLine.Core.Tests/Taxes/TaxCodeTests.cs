using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class TaxCodeTests
{
    private static readonly TaxCode Isles = new()
    {
        FreightTaxed = false,
        Rates =
        [
            new(Given.Day("2020-01-01"), 7.5m, [new("Council", 5), new("Harbour", 2.5m)]),
            new(Given.Day("2026-01-01"), 8.25m, [new("Council", 5.5m), new("Harbour", 2.75m)]),
        ],
    };

    [Theory]
    [InlineData("2025-12-31", "75.00", "50.00", "25.00")]
    [InlineData("2026-01-01", "82.50", "55.00", "27.50")]
    public void The_rate_of_the_day_is_split_over_its_authorities(
        string day,
        string tax,
        string council,
        string harbour
    )
    {
        var split = Isles.Of(Given.Pounds(1000), Given.Pounds(18), Given.Day(day), RoundingRule.HalfAwayFromZero);
        $"{split.Taxed} {split.Tax}".ShouldBe($"1000.00 {tax}");
        split.Parts.Select(p => p.Amount.ToString()).ShouldBe([council, harbour]);
    }

    [Fact]
    public void Freight_is_taxed_where_the_code_says_so() =>
        (Isles with { FreightTaxed = true })
            .Of(Given.Pounds(1000), Given.Pounds(18), Given.Day("2026-03-16"), RoundingRule.HalfAwayFromZero)
            .Tax.ToString()
            .ShouldBe("83.99");

    [Fact]
    public void A_rate_of_nothing_taxes_nothing() =>
        new TaxCode { Rates = [new(Given.Day("2020-01-01"), 0, [new("Office", 0)])] }
            .Of(Given.Pounds(10), Given.Pounds(0), Given.Day("2026-03-16"), RoundingRule.HalfAwayFromZero)
            .Tax.IsZero.ShouldBeTrue();

    [Fact]
    public void Before_the_first_rate_nothing_is_known()
    {
        Isles.On(Given.Day("2019-12-31")).ShouldBeNull();
        Should.Throw<ArgumentException>(() =>
            Isles.Of(Given.Pounds(1), Given.Pounds(0), Given.Day("2019-12-31"), RoundingRule.HalfAwayFromZero)
        );
    }

    [Fact]
    public void The_parts_add_up_to_the_tax_on_any_amount() =>
        Gen.Int[0, 10_000_000]
            .Sample(minor =>
            {
                var split = Isles.Of(
                    Money.FromMinor(minor, Given.Gbp),
                    Given.Pounds(0),
                    Given.Day("2026-03-16"),
                    RoundingRule.HalfAwayFromZero
                );
                split.Parts.Sum(p => p.Amount.Minor).ShouldBe(split.Tax.Minor);
            });

    [Fact]
    public void What_does_not_add_up_is_named()
    {
        string[] Fields(params TaxRate[] rates) =>
            [
                .. new TaxCode { Rates = rates }
                    .Problems()
                    .Select(p => p.Field),
            ];
        Fields().ShouldBe(["rates"]);
        Fields(new TaxRate(Given.Day("2020-01-01"), 20, [new("Office", 19)])).ShouldBe(["rates[0].percent"]);
        Fields(new TaxRate(Given.Day("2020-01-01"), 0, [])).ShouldBe(["rates[0].components"]);
        Fields(new TaxRate(Given.Day("2020-01-01"), 20, [new(" ", 20)])).ShouldBe(["rates[0].components[0].authority"]);
        Fields(new TaxRate(Given.Day("2020-01-01"), 101, [new("Office", 101)]))
            .ShouldBe(["rates[0].percent", "rates[0].components[0].percent"]);
        Fields(Isles.Rates[1], Isles.Rates[0]).ShouldBe(["rates[1].from"]);
        Isles.Problems().ShouldBeEmpty();
    }
}
