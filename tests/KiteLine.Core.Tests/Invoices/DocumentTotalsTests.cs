using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Lines add up to the totals that the calculation rules of EN 16931-1 give (from memory): BR-CO-10, the sum of line net
/// amounts; BR-CO-17, tax of a category is its taxable amount times its rate, rounded once; BR-CO-14, the tax total is
/// the sum of those; BR-CO-15, with tax is without tax plus tax.
/// </summary>
public sealed class DocumentTotalsTests
{
    private static readonly DateOnly Date = Given.Day("2026-03-16");

    private static TaxCode Code(
        decimal percent,
        bool freight = true,
        params (string Authority, decimal Percent)[] parts
    ) =>
        new()
        {
            FreightTaxed = freight,
            Rates =
            [
                new(
                    new(2000, 1, 1),
                    percent,
                    parts.Length == 0
                        ? [new("HMRC", percent)]
                        : [.. parts.Select(p => new TaxComponent(p.Authority, p.Percent))]
                ),
            ],
        };

    private static readonly Dictionary<string, TaxCode> Codes = new(StringComparer.Ordinal)
    {
        ["STD"] = Code(20),
        ["RED"] = Code(5),
        ["TWO"] = Code(8.875m, true, ("State", 4), ("City", 4.5m), ("Transit", 0.375m)),
        ["NOF"] = Code(10, freight: false),
    };

    private static DocumentTotals Of(params DocumentLine[] lines) =>
        DocumentTotals.Of(lines, Given.Gbp, Codes.GetValueOrDefault, Date, RoundingRule.HalfAwayFromZero);

    private static DocumentLine Line(
        decimal quantity,
        decimal price,
        string code = "STD",
        bool discountable = true,
        bool freight = false
    ) =>
        DocumentLine.Of("Rope", quantity, price, Given.Gbp, RoundingRule.HalfAwayFromZero, code, discountable, freight);

    [Fact]
    public void A_line_is_quantity_times_price_rounded_once()
    {
        // 7 × 1.495 is 10.465.
        Line(7, 1.495m).Net.ShouldBe(Given.Pounds(10.47m));
        Line(-1, 10.005m).Net.ShouldBe(Given.Pounds(-10.01m));
    }

    [Fact]
    public void Tax_is_rounded_once_for_each_code_and_not_for_each_line()
    {
        // Three lines of 0.12: 20 % of each is 0.024, that is 0.02, and of all 0.072, that is 0.07.
        var totals = Of(Line(1, 0.12m), Line(1, 0.12m), Line(1, 0.12m));
        totals.Net.ShouldBe(Given.Pounds(0.36m));
        totals.Tax.ShouldBe(Given.Pounds(0.07m));
    }

    [Fact]
    public void Taxes_stand_by_code_and_authority_and_add_up()
    {
        var totals = Of(Line(2, 50), Line(1, 40, "RED"), Line(1, 200, "TWO"), Line(1, 10, ""));
        // By hand: 20 % of 100; 5 % of 40; 8.875 % of 200 is 17.75, of which the state takes 8.00 and the city 9.00.
        totals
            .Taxes.Select(t => $"{t.Code} {t.Authority} {t.Percent} {t.Taxed} {t.Tax}")
            .ShouldBe([
                "STD HMRC 20 100.00 20.00",
                "RED HMRC 5 40.00 2.00",
                "TWO State 4 200.00 8.00",
                "TWO City 4.5 200.00 9.00",
                "TWO Transit 0.375 200.00 0.75",
            ]);
        totals.Net.ShouldBe(Given.Pounds(350));
        totals.Tax.ShouldBe(Given.Pounds(39.75m));
    }

    [Fact]
    public void Freight_is_taxed_only_where_its_code_says_so()
    {
        Of(Line(1, 100), Line(1, 10, freight: true)).Tax.ShouldBe(Given.Pounds(22));
        Of(Line(1, 100, "NOF"), Line(1, 10, "NOF", freight: true)).Tax.ShouldBe(Given.Pounds(10));
    }

    [Fact]
    public void What_bears_no_discount_is_stated_as_the_base_is()
    {
        var totals = Of(Line(1, 1000), Line(1, 50, discountable: false));
        totals.Amounts(DiscountBase.Gross).NotDiscountable.ShouldBe(Given.Pounds(60));
        totals.Amounts(DiscountBase.Net).NotDiscountable.ShouldBe(Given.Pounds(50));
        totals.Amounts(DiscountBase.Net).Gross.ShouldBe(Given.Pounds(1260));
    }

    [Fact]
    public void A_code_that_is_not_known_or_has_no_rate_yet_is_refused_by_its_line()
    {
        Should
            .Throw<RefusedException>(() => Of(Line(1, 1), Line(1, 1, "ODD")))
            .Problems.ShouldHaveSingleItem()
            .Field.ShouldBe("lines[1].taxCode");
        Should
            .Throw<RefusedException>(() =>
                DocumentTotals.Of(
                    [Line(1, 1)],
                    Given.Gbp,
                    Codes.GetValueOrDefault,
                    new(1999, 12, 31),
                    RoundingRule.HalfAwayFromZero
                )
            )
            .Message.ShouldContain("has no rate on 31 Dec 1999");
    }

    [Fact]
    public void Any_lines_add_up()
    {
        Gen.Select(
                Gen.Int[-200, 200],
                Gen.Int[0, 100_000],
                Gen.OneOf(Gen.Const(""), Gen.Const("STD"), Gen.Const("RED"), Gen.Const("TWO"), Gen.Const("NOF")),
                Gen.Bool,
                Gen.Bool
            )
            .Array[1, 12]
            .Sample(rows =>
            {
                var lines = rows.Select(r => Line(r.Item1, r.Item2 / 1000m, r.Item3, r.Item4, r.Item5)).ToArray();
                var totals = Of(lines);
                totals.Net.Minor.ShouldBe(lines.Sum(l => l.Net.Minor));
                totals.Tax.Minor.ShouldBe(totals.Taxes.Sum(t => t.Tax.Minor));
                (totals.NotDiscountable.Minor + lines.Where(l => l.Discountable).Sum(l => l.Net.Minor)).ShouldBe(
                    totals.Net.Minor
                );
            });
    }
}
