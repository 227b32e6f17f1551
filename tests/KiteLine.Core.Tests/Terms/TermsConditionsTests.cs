using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class TermsConditionsTests
{
    private static readonly ShortPayAllowance None = ShortPayAllowance.None;

    private static ItemSettlement Part(decimal cash, decimal open, decimal discount) =>
        ItemSettlement.Of(
            Given.Pounds(cash),
            Need(open, discount, "2026-02-05", partPayments: true),
            None,
            RoundingRule.HalfAwayFromZero
        );

    private static ItemNeed Need(decimal open, decimal discount, string day, bool partPayments) =>
        new(Given.Pounds(open), [Given.Discount("2026-02-10", discount)], Given.Day(day), partPayments);

    /// <summary>
    /// Textbook treatment of a part payment inside the window (value from memory): at 2/10 cash of 4,900 settles 5,000
    /// with 100 of discount.
    /// </summary>
    [Fact]
    public void A_part_payment_settles_cash_over_one_less_the_rate()
    {
        var s = Part(4900, 10_000, 200);
        $"{s.Cash} {s.Discount} {s.StaysOpen}".ShouldBe("4900.00 100.00 5000.00");
        s.Findings.ShouldHaveSingleItem().ShouldBe(new ReceiptFinding.Short(Given.Pounds(5000)));
        s.Workings(Given.Pounds(4900), Given.Pounds(10_000))
            .ShouldContain(w => w.Formula.Contains("part payment", StringComparison.Ordinal));
    }

    [Fact]
    public void Without_the_condition_or_after_the_window_a_part_payment_earns_nothing()
    {
        ItemSettlement
            .Of(
                Given.Pounds(4900),
                Need(10_000, 200, "2026-02-05", partPayments: false),
                None,
                RoundingRule.HalfAwayFromZero
            )
            .Discount.IsZero.ShouldBeTrue();
        ItemSettlement
            .Of(
                Given.Pounds(4900),
                Need(10_000, 200, "2026-02-11", partPayments: true),
                None,
                RoundingRule.HalfAwayFromZero
            )
            .Discount.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void The_four_parts_always_tie_and_a_part_never_earns_more_than_its_share() =>
        Gen.Select(Gen.Int[1, 1_000_000], Gen.Int[2, 1_000_000], Gen.Int[1, 50])
            .Sample(
                (cash, open, rate) =>
                {
                    var (c, o) = (Given.Pounds(cash / 100m), Given.Pounds(open / 100m));
                    var d = Money.Round(o.Amount * rate / 100, o.Currency, RoundingRule.HalfAwayFromZero);
                    var s = Part(c.Amount, o.Amount, d.Amount);
                    (s.Cash + s.Discount + s.WriteOff + s.StaysOpen).ShouldBe(o);
                    s.StaysOpen.Minor.ShouldBeGreaterThanOrEqualTo(0);
                    s.Discount.ShouldBeLessThanOrEqualTo(d);
                }
            );

    [Fact]
    public void What_stays_open_after_a_part_offers_its_own_share()
    {
        var item = Given.Invoice(
            "INV-1",
            10_000,
            "2026-02-01",
            "2026-03-03",
            1,
            [Given.Discount("2026-02-11", 200)],
            Given.Moved(MovementKind.Cash, "2026-02-05", -4900),
            Given.Moved(MovementKind.Discount, "2026-02-05", -100)
        );
        // Where a discount is given once, what was not given of it is left.
        item.DiscountOn(Given.Day("2026-02-11"), RoundingRule.HalfAwayFromZero)!.Amount.ToString().ShouldBe("100.00");
        var parts = item with { PartPayments = true };
        parts.DiscountOn(Given.Day("2026-02-11"), RoundingRule.HalfAwayFromZero)!.Amount.ToString().ShouldBe("100.00");
        parts.DiscountOn(Given.Day("2026-02-12"), RoundingRule.HalfAwayFromZero).ShouldBeNull();
        var last = Payment
            .Of(
                Given.Pounds(4900),
                Given.Pounds(0),
                Given.Day("2026-02-11"),
                [new ChosenItem(parts)],
                None,
                RoundingRule.HalfAwayFromZero
            )
            .Lines[0]
            .Settlement;
        $"{last.Cash} {last.Discount} {last.StaysOpen}".ShouldBe("4900.00 100.00 0.00");
    }

    [Theory]
    [InlineData(DiscountBase.Gross, true, "20.00", "980.00")]
    [InlineData(DiscountBase.Gross, false, "24.00", "976.00")]
    [InlineData(DiscountBase.Net, true, "16.67", "983.33")]
    [InlineData(DiscountBase.Net, false, "20.00", "980.00")]
    public void A_credit_note_in_time_reduces_the_base_where_it_follows_the_terms(
        DiscountBase of,
        bool follow,
        string discount,
        string payable
    )
    {
        var terms = Shorthand.Read("2/10 n/30").Under(new() { Base = of, CreditNotesFollow = follow });
        var amounts = Given.Amounts(1000, 200) with { Credited = Given.Pounds(200) };
        var step = Given.Schedule(terms, amounts, Given.Day("2026-03-16"), workings: true);
        step.Discounts[0].Amount.ToString().ShouldBe(discount);
        step.Discounts[0].Payable.ToString().ShouldBe(payable);
        step.Workings.Any(w => w.Formula.Contains("credited", StringComparison.Ordinal)).ShouldBeTrue();
    }

    [Fact]
    public void Crediting_more_than_the_discountable_part_leaves_no_discount()
    {
        var amounts = Given.Amounts(100, 0, 60) with { Credited = Given.Pounds(80) };
        Given
            .Schedule(Shorthand.Read("2/10 n/30"), amounts, Given.Day("2026-03-16"))
            .Discounts[0]
            .Amount.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void Grace_beyond_sixty_days_is_refused() =>
        new TermsConditions { GraceDays = 61 }
            .Problems()
            .ShouldHaveSingleItem()
            .Field.ShouldBe("graceDays");

    [Theory]
    [InlineData("2/10 n/30", "")]
    [InlineData("n/60", "")]
    [InlineData("n/61", "due only after 61 days")]
    [InlineData("n/30 EOM", "")]
    [InlineData("n/31 EOM", "due only after 61 days")]
    [InlineData("40% now, rest 90", "due only after 90 days")]
    [InlineData("3/10 n/30", "56.4 % a year")]
    [InlineData("2/40 n/30", "ends after")]
    public void Terms_that_stand_out_are_warned_about_with_their_numbers(string text, string warning)
    {
        var warnings = string.Join(' ', TermsWarnings.Of(Shorthand.Read(text), new(AnnualCost: 50)));
        if (warning.Length == 0)
            warnings.ShouldBeEmpty();
        else
            warnings.ShouldContain(warning);
    }

    [Fact]
    public void Where_no_bound_is_set_nothing_is_warned_about() =>
        TermsWarnings.Of(Shorthand.Read("5/10 n/365"), new(null, null)).ShouldBeEmpty();
}
