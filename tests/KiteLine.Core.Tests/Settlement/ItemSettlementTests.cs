using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ItemSettlementTests
{
    private static readonly ShortPayAllowance Allowance = new(40, 5);

    private static ItemSettlement Settle(
        decimal cash,
        decimal open,
        string valueDate,
        params ItemDiscount[] discounts
    ) =>
        ItemSettlement.Of(
            Given.Pounds(cash),
            new(Given.Pounds(open), discounts, Given.Day(valueDate)),
            Allowance,
            RoundingRule.HalfAwayFromZero
        );

    /// <summary>
    /// Common practice: a payment of 950 on 1,000 with 20 of discount open is 20 discount and 30 written off.
    /// </summary>
    [Fact]
    public void A_short_payment_within_the_allowance_after_the_discount_settles_the_item()
    {
        var s = Settle(950, 1000, "2026-02-10", Given.Discount("2026-02-10", 20));
        $"{s.Cash} {s.Discount} {s.WriteOff} {s.StaysOpen} {s.OnAccount}".ShouldBe("950.00 20.00 30.00 0.00 0.00");
        s.Findings.ShouldBeEmpty();
    }

    /// <summary>Common practice: the tenth day still earns the discount, the eleventh does not.</summary>
    [Theory]
    [InlineData("2026-02-10", "20.00", "0.00", "")]
    [InlineData("2026-02-11", "0.00", "0.00", "")]
    public void The_last_day_earns_the_discount_and_the_day_after_does_not(
        string valueDate,
        string discount,
        string staysOpen,
        string finding
    )
    {
        // 20 of 1,000 lies within the allowance, so what is not earned is a small difference here and settles all the
        // same.
        var s = Settle(980, 1000, valueDate, Given.Discount("2026-02-10", 20));
        s.Discount.ToString().ShouldBe(discount);
        s.StaysOpen.ToString().ShouldBe(staysOpen);
        string.Join(',', s.Findings.Select(f => f.Code)).ShouldBe(finding);
    }

    [Fact]
    public void A_discount_taken_late_is_named_with_the_days_missed_and_stays_open()
    {
        var s = Settle(4900, 5000, "2026-02-13", Given.Discount("2026-02-10", 100));
        s.StaysOpen.ToString().ShouldBe("100.00");
        var finding = s.Findings.ShouldHaveSingleItem().ShouldBeOfType<ReceiptFinding.DiscountUnearned>();
        finding.DaysLate.ShouldBe(3);
    }

    [Fact]
    public void Grace_days_extend_the_deadline_silently()
    {
        Settle(4900, 5000, "2026-02-13", Given.Discount("2026-02-10", 100, grace: 3))
            .Discount.ToString()
            .ShouldBe("100.00");
        var late = Settle(4900, 5000, "2026-02-15", Given.Discount("2026-02-10", 100, grace: 3));
        late.Findings.OfType<ReceiptFinding.DiscountUnearned>().Single().DaysLate.ShouldBe(2);
    }

    [Fact]
    public void The_full_amount_inside_the_window_leaves_the_discount_untaken_and_says_so()
    {
        var s = Settle(1000, 1000, "2026-02-01", Given.Discount("2026-02-10", 20));
        s.Discount.IsZero.ShouldBeTrue();
        s.Findings.ShouldHaveSingleItem().Code.ShouldBe("discount-not-taken");
    }

    [Fact]
    public void More_than_is_open_goes_on_account()
    {
        var s = Settle(1025, 1000, "2026-03-01", Given.Discount("2026-02-10", 20));
        s.Cash.ToString().ShouldBe("1000.00");
        s.OnAccount.ToString().ShouldBe("25.00");
        s.Findings.ShouldHaveSingleItem().Code.ShouldBe("over");
    }

    /// <summary>
    /// Worked by hand: of 1,000 with 20 of discount 990 came in, so 10 were deducted and 10 may still be asked for.
    /// </summary>
    [Fact]
    public void Between_the_discounted_and_the_full_amount_only_what_was_deducted_is_taken()
    {
        var s = Settle(990, 1000, "2026-02-10", Given.Discount("2026-02-10", 20));
        $"{s.Cash} {s.Discount} {s.WriteOff} {s.StaysOpen} {s.OnAccount}".ShouldBe("990.00 10.00 0.00 0.00 0.00");
        s.Findings.ShouldHaveSingleItem()
            .ShouldBeOfType<ReceiptFinding.DiscountPartlyTaken>()
            .Rest.ToString()
            .ShouldBe("10.00");
    }

    [Fact]
    public void A_granted_discount_is_given_in_full_also_when_the_rest_is_short()
    {
        var s = ItemSettlement.Granted(Given.Pounds(800), Given.Pounds(1000), Given.Pounds(30), Allowance);
        $"{s.Cash} {s.Discount} {s.WriteOff} {s.StaysOpen} {s.OnAccount}".ShouldBe("800.00 30.00 0.00 170.00 0.00");
        var over = ItemSettlement.Granted(Given.Pounds(1000), Given.Pounds(1000), Given.Pounds(30), Allowance);
        $"{over.Cash} {over.Discount} {over.OnAccount}".ShouldBe("970.00 30.00 30.00");
        var small = ItemSettlement.Granted(Given.Pounds(960), Given.Pounds(1000), Given.Pounds(30), Allowance);
        $"{small.Cash} {small.Discount} {small.WriteOff} {small.StaysOpen}".ShouldBe("960.00 30.00 10.00 0.00");
    }

    [Theory]
    [InlineData("2026-02-05", "30.00")]
    [InlineData("2026-02-07", "30.00")]
    [InlineData("2026-02-08", "10.00")]
    [InlineData("2026-02-14", "10.00")]
    public void The_best_step_in_force_is_used(string valueDate, string discount)
    {
        var steps = new[] { Given.Discount("2026-02-07", 30), Given.Discount("2026-02-14", 10) };
        Settle(1000 - Reference.Number(discount), 1000, valueDate, steps).Discount.ToString().ShouldBe(discount);
    }

    [Theory]
    [InlineData(960, "40.00", "0.00")]
    [InlineData(959.99, "0.00", "40.01")]
    public void The_allowance_holds_by_amount(decimal cash, string writeOff, string staysOpen)
    {
        var s = Settle(cash, 1000, "2026-03-01");
        s.WriteOff.ToString().ShouldBe(writeOff);
        s.StaysOpen.ToString().ShouldBe(staysOpen);
    }

    [Theory]
    [InlineData(95, "5.00", "0.00")]
    [InlineData(94.99, "0.00", "5.01")]
    public void The_allowance_holds_by_percent_of_what_is_open(decimal cash, string writeOff, string staysOpen)
    {
        var s = Settle(cash, 100, "2026-03-01");
        s.WriteOff.ToString().ShouldBe(writeOff);
        s.StaysOpen.ToString().ShouldBe(staysOpen);
    }

    [Fact]
    public void The_parts_always_add_up_to_what_was_open_and_the_cash_to_what_was_received() =>
        Gen.Select(
                Gen.Int[1, 300_000],
                Gen.Int[1, 300_000],
                Gen.Select(Gen.Int[-20, 20], Gen.Int[1, 9000]).Array[0, 3],
                Gen.Int[0, 60],
                Gen.Int[0, 10]
            )
            .Sample(
                (cash, open, steps, amount, percent) =>
                {
                    var valueDate = new DateOnly(2026, 3, 16);
                    var discounts = steps
                        .Select(s => new ItemDiscount(
                            valueDate.AddDays(s.Item1),
                            0,
                            Money.FromMinor(s.Item2, Given.Gbp)
                        ))
                        .ToArray();
                    var s = ItemSettlement.Of(
                        Money.FromMinor(cash, Given.Gbp),
                        new(Money.FromMinor(open, Given.Gbp), discounts, valueDate),
                        new(amount, percent),
                        RoundingRule.HalfAwayFromZero
                    );
                    (s.Cash + s.Discount + s.WriteOff + s.StaysOpen).Minor.ShouldBe(open);
                    (s.Cash + s.OnAccount).Minor.ShouldBe(cash);
                    new[] { s.Cash, s.Discount, s.WriteOff, s.StaysOpen, s.OnAccount }.ShouldAllBe(m => m.Minor >= 0);
                    if (!s.WriteOff.IsZero)
                        s.WriteOff.Amount.ShouldBeLessThanOrEqualTo(amount);
                    if (!s.StaysOpen.IsZero)
                        (s.Discount.IsZero && s.WriteOff.IsZero).ShouldBeTrue();
                }
            );

    [Fact]
    public void Workings_lead_from_what_was_received_to_what_stays_open()
    {
        var s = Settle(950, 1000, "2026-02-10", Given.Discount("2026-02-10", 20));
        var lines = s.Workings(Given.Pounds(950), Given.Pounds(1000));
        lines[^1].Label.ShouldBe("Stays open");
        lines[^1].Formula.ShouldBe("1000.00 − 950.00 − 20.00 − 30.00");
    }
}
