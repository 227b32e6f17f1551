using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Calculation rules BR-CO-10 to BR-CO-17 of EN 16931-1 (from memory), each broken alone by a hundredth. The totals that
/// hold are worked by hand: lines 100.00 and 50.00, an allowance of 10.00, a charge of 5.00; 145.00 at 20 % is 29.00 of tax,
/// 174.00 with it; 20.00 prepaid, 0.01 of rounding, 154.01 due.
/// </summary>
public sealed class StatedTotalsTests
{
    private static readonly StatedTotals Sound = new(
        Lines: 150,
        Allowances: 10,
        Charges: 5,
        Net: 145,
        Tax: 29,
        Gross: 174,
        Prepaid: 20,
        Rounding: 0.01m,
        Payable: 154.01m,
        [100, 50],
        [10],
        [5],
        [(145, 20, 29)]
    );

    [Fact]
    public void What_follows_all_rules_has_no_problem() => Sound.Problems().ShouldBeEmpty();

    [Theory]
    [InlineData("BR-CO-10")]
    [InlineData("BR-CO-11")]
    [InlineData("BR-CO-12")]
    [InlineData("BR-CO-13")]
    [InlineData("BR-CO-14")]
    [InlineData("BR-CO-15")]
    [InlineData("BR-CO-16")]
    [InlineData("BR-CO-17")]
    public void What_breaks_one_rule_is_told_by_its_name(string rule)
    {
        var broken = rule switch
        {
            "BR-CO-10" => Sound with { LineNets = [100, 50.01m] },
            "BR-CO-11" => Sound with { AllowanceAmounts = [10.01m] },
            "BR-CO-12" => Sound with { ChargeAmounts = [] },
            "BR-CO-13" => Sound with { Net = 145.01m, Gross = 174.01m, Payable = 154.02m },
            "BR-CO-14" => Sound with { Tax = 29.01m, Gross = 174.01m, Payable = 154.02m },
            "BR-CO-15" => Sound with { Gross = 174.01m, Payable = 154.02m },
            "BR-CO-16" => Sound with { Payable = 154 },
            _ => Sound with { Categories = [(145, 20, 29.01m)], Tax = 29.01m, Gross = 174.01m, Payable = 154.02m },
        };
        broken.Problems().ShouldHaveSingleItem().ShouldContain($"({rule})");
    }

    [Theory]
    [InlineData("0.025", "0.02")]
    [InlineData("0.025", "0.03")]
    public void A_tax_whose_half_was_rounded_either_way_holds(string exact, string stated)
    {
        decimal Of(string text) => decimal.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
        var taxed = Of(exact) * 10;
        var tax = Of(stated);
        new StatedTotals(taxed, 0, 0, taxed, tax, taxed + tax, 0, 0, taxed + tax, [taxed], [], [], [(taxed, 10, tax)])
            .Problems()
            .ShouldBeEmpty();
    }

    /// <summary>10 % of 1,005 yen are 100.5; a tax in whole yen is 100 or 101, and 102 is wrong.</summary>
    [Theory]
    [InlineData(100, true)]
    [InlineData(101, true)]
    [InlineData(102, false)]
    public void A_tax_in_a_currency_without_decimals_may_be_rounded_to_its_unit(decimal tax, bool sound) =>
        new StatedTotals(1005, 0, 0, 1005, tax, 1005 + tax, 0, 0, 1005 + tax, [1005], [], [], [(1005, 10, tax)], 0)
            .Problems()
            .Any()
            .ShouldBe(!sound);
}
