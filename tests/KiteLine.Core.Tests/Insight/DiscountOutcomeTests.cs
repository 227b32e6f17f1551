using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>What became of discounts, by figures worked out by hand: 2/10 on an invoice of 1,000.00 of 1 March.</summary>
public class DiscountOutcomeTests
{
    private static Item Bought(params Movement[] later) =>
        Invoice(
            "INV-1",
            1000,
            "2026-03-01",
            "2026-03-31",
            1,
            [Discount("2026-03-11", 20), Discount("2026-03-21", 10)],
            later
        );

    private static string Told(Item item)
    {
        var o = DiscountOutcome.Of(item, RoundingRule.HalfAwayFromZero)!.Value;
        return $"{o.Deadline:MM-dd} {o.Offered} {o.Used} {o.CashDays}"
            + string.Concat(o.Leaks.Select(l => $"; {l.Kind} {l.Day:MM-dd} {l.Amount} {l.LastDay:MM-dd} {l.DaysLate}"));
    }

    [Fact]
    public void Nothing_paid_is_offered_and_not_used() => Told(Bought()).ShouldBe("03-21 20.00 0.00 0");

    [Fact]
    public void Taken_in_time_it_is_used_for_cash_that_came_21_days_before_it_was_due() =>
        Told(Bought(Moved(MovementKind.Cash, "2026-03-10", -980), Moved(MovementKind.Discount, "2026-03-10", -20)))
            .ShouldBe($"03-21 20.00 20.00 {98000 * 21}");

    [Fact]
    public void The_first_step_taken_within_the_second_is_late_by_the_difference() =>
        Told(Bought(Moved(MovementKind.Cash, "2026-03-15", -980), Moved(MovementKind.Discount, "2026-03-15", -20)))
            .ShouldBe($"03-21 20.00 10.00 {98000 * 16}; AllowedLate 03-15 10.00 03-11 4");

    [Fact]
    public void Allowed_after_its_last_day_it_leaked_whole() =>
        Told(Bought(Moved(MovementKind.Cash, "2026-03-25", -980), Moved(MovementKind.Discount, "2026-03-25", -20)))
            .ShouldBe("03-21 20.00 0.00 0; AllowedLate 03-25 20.00 03-11 14");

    [Fact]
    public void Short_by_it_after_its_last_day_and_written_off_it_leaked() =>
        Told(
                Bought(
                    Moved(MovementKind.Cash, "2026-03-25", -989.70m),
                    Moved(MovementKind.WriteOff, "2026-03-25", -10.30m)
                )
            )
            .ShouldBe("03-21 20.00 0.00 0; WrittenOff 03-25 10.00 03-21 4");

    [Theory]
    // A small difference is none, and a debt that was given up without a payment is none.
    [InlineData(-995.50, -4.50)]
    [InlineData(0, -1000)]
    public void What_else_is_written_off_is_none(decimal cash, decimal written)
    {
        var later = new List<Movement> { Moved(MovementKind.WriteOff, "2026-03-25", written) };
        if (cash != 0)
            later.Add(Moved(MovementKind.Cash, "2026-03-25", cash));
        Told(Bought([.. later])).ShouldBe("03-21 20.00 0.00 0");
    }

    [Theory]
    // Paid in full within the first step; short by the discount, which stayed open; and in full within the second.
    [InlineData("2026-03-11", -1000, "NotGranted 03-11 20.00 03-11 0")]
    [InlineData("2026-03-11", -980, "NotGranted 03-11 20.00 03-11 0")]
    [InlineData("2026-03-12", -1000, "NotGranted 03-12 10.00 03-21 0")]
    public void Earned_and_not_granted_it_leaked(string day, decimal cash, string leak) =>
        Told(Bought(Moved(MovementKind.Cash, day, cash))).ShouldBe($"03-21 20.00 0.00 0; {leak}");

    [Fact]
    public void A_case_that_was_put_right_is_none_any_more()
    {
        // The discount that was missed was granted afterwards, by the value date of the payment.
        Told(
                Bought(
                    Moved(MovementKind.Cash, "2026-03-09", -1000),
                    Moved(MovementKind.Cash, "2026-03-09", 20),
                    Moved(MovementKind.Discount, "2026-03-09", -20)
                )
            )
            .ShouldBe($"03-21 20.00 20.00 {98000 * 22}");
        // What was allowed late was taken back.
        Told(
                Bought(
                    Moved(MovementKind.Cash, "2026-03-25", -980),
                    Moved(MovementKind.Discount, "2026-03-25", -20),
                    Moved(MovementKind.Discount, "2026-03-25", 20)
                )
            )
            .ShouldBe("03-21 20.00 0.00 0");
    }

    [Fact]
    public void Where_part_payments_earn_their_share_a_part_that_was_not_granted_is_its_share() =>
        Told(Bought(Moved(MovementKind.Cash, "2026-03-05", -490)) with { PartPayments = true })
            .ShouldBe("03-21 20.00 0.00 0; NotGranted 03-05 10.00 03-11 0");

    [Fact]
    public void An_invoice_that_was_taken_back_offers_none() =>
        DiscountOutcome
            .Of(Bought(Moved(MovementKind.Opened, "2026-03-01", -1000)), RoundingRule.HalfAwayFromZero)
            .ShouldBeNull();
}
