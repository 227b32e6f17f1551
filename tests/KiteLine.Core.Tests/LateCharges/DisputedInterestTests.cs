using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Interest on what is disputed. All values are worked by hand: 3,650.00 at 10 % act/365f bears 1.00 a day, due on 5 January
/// 2026; what is disputed of it is 1,825.00, half of it, from 15 January on.
/// </summary>
public class DisputedInterestTests
{
    private static LateChargePolicy Ten(WhileDisputed disputed) => Given.Policy(10) with { WhileDisputed = disputed };

    private static Item Debt(params ItemDispute[] disputes) =>
        Given.Invoice("INV-1", 3650, "2025-12-06", "2026-01-05") with
        {
            Disputes = disputes,
        };

    private static ItemDispute Half(string? until = null, bool lost = false) =>
        new(Given.Pounds(1825), Given.Day("2026-01-15"), until is null ? null : Given.Day(until), lost);

    private static decimal Interest(
        WhileDisputed disputed,
        string through,
        ItemDispute dispute,
        string? known = null
    ) =>
        Given
            .Charge(Debt(dispute), Ten(disputed), Given.Day(through), known is null ? null : Given.Day(known))
            .Interest.Amount;

    /// <summary>9 days at 1.00 up to the 14th, then half of each day's.</summary>
    [Theory]
    [InlineData(WhileDisputed.Charged, 20)]
    [InlineData(WhileDisputed.Held, 14.5)]
    [InlineData(WhileDisputed.HeldUntilSettled, 14.5)]
    public void What_is_disputed_bears_nothing_where_the_policy_holds_it(WhileDisputed disputed, double interest) =>
        Interest(disputed, "2026-01-25", Half()).ShouldBe((decimal)interest);

    /// <summary>Settled on the 25th: the days from the 15th to the 24th bear half, the others all; 9 + 5 + 6 = 20.</summary>
    [Theory]
    [InlineData(WhileDisputed.Held, false, 20)]
    [InlineData(WhileDisputed.Held, true, 20)]
    [InlineData(WhileDisputed.HeldUntilSettled, false, 20)]
    [InlineData(WhileDisputed.HeldUntilSettled, true, 25)]
    public void Once_settled_the_days_held_are_charged_only_where_the_customer_was_wrong_and_the_policy_says_so(
        WhileDisputed disputed,
        bool lost,
        double interest
    ) => Interest(disputed, "2026-01-30", Half("2026-01-25", lost)).ShouldBe((decimal)interest);

    [Fact]
    public void On_a_past_day_a_dispute_that_was_settled_later_still_holds()
    {
        Interest(WhileDisputed.HeldUntilSettled, "2026-01-20", Half("2026-01-25", lost: true)).ShouldBe(12m);
        Interest(WhileDisputed.HeldUntilSettled, "2026-01-20", Half("2026-01-25", lost: true), "2026-02-01")
            .ShouldBe(15m);
    }

    [Fact]
    public void More_disputed_than_is_open_holds_no_more_than_that()
    {
        var paid = Given.Invoice(
            "INV-1",
            3650,
            "2025-12-06",
            "2026-01-05",
            1,
            null,
            Given.Moved(MovementKind.Cash, "2026-01-20", -2190)
        ) with
        {
            Disputes = [Half()],
        };
        // 9 days of 1.00, 6 of 0.50; from the 21st on 1,460.00 is open, all of it within the 1,825.00 disputed.
        Given.Charge(paid, Ten(WhileDisputed.Held), Given.Day("2026-01-30")).Interest.Amount.ShouldBe(12m);
    }

    [Fact]
    public void A_dispute_noted_after_a_charge_is_credited_by_the_next_and_charged_again_when_it_is_lost()
    {
        var policy = Ten(WhileDisputed.HeldUntilSettled);
        var raised = new RaisedLine(5, Given.Day("2026-01-25"), Given.Day("2026-01-25"), Given.Pounds(20), policy);
        var item = Debt(Half()) with { Raised = [raised] };
        // 14.50 were right through the 25th, so 5.50 come back; five days at 0.50 follow.
        var held = Given.Charge(item, policy, Given.Day("2026-01-30"));
        (held.Correction.Amount, held.Interest.Amount).ShouldBe((-5.5m, 2.5m));
        var lost = Given.Charge(
            item with
            {
                Disputes = [Half("2026-01-30", lost: true)],
            },
            policy,
            Given.Day("2026-01-30")
        );
        (lost.Correction.Amount, lost.Interest.Amount).ShouldBe((0m, 5m));
    }

    [Fact]
    public void Bands_on_the_account_and_months_hold_it_too()
    {
        var banded = Ten(WhileDisputed.Held) with { BandsOn = BandsOn.Account, Bands = [new(1825, 20)] };
        // Up to the 14th half bears 10 % and half 20 %: 9 × 1.50; then half alone at 10 %: 11 × 0.50.
        Given.Charges([Debt(Half())], banded, Given.Day("2026-01-25"))[0].Interest.Amount.ShouldBe(19m);
        var monthly = Ten(WhileDisputed.Held) with
        {
            Method = ChargeMethod.Monthly,
            Monthly = new(2, MonthsCounted.Full),
        };
        // The month to 5 February ends with half of it disputed: 2 % of 1,825.00.
        Given.Charge(Debt(Half()), monthly, Given.Day("2026-02-05")).Interest.Amount.ShouldBe(36.5m);
    }
}
