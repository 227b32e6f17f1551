using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ToSettleTests
{
    private static readonly Item Overdue = Given.Invoice("INV-1", 1000, "2026-01-10", "2026-02-09", 1);
    private static readonly Item InWindow = Given.Invoice(
        "INV-2",
        500,
        "2026-03-08",
        "2026-04-07",
        2,
        [Given.Discount("2026-03-18", 10)]
    );

    private static readonly DateOnly Today = Given.Day("2026-03-16");

    private static ToSettle On(
        string day,
        LateChargePolicy? policy,
        IReadOnlyList<SentReminder> letters,
        params Item[] items
    ) => ToSettle.For(Given.Ledger(policy, items) with { Letters = letters }, Given.Day(day), Given.Rules(Today));

    private static SentReminder Letter(
        string number,
        string day,
        decimal fee,
        bool replaces = true,
        params long[] moving
    ) => new(number, Given.Day(day), 1, Given.Pounds(fee), false, replaces, moving);

    [Fact]
    public void Open_items_less_discount_plus_charges_plus_fees()
    {
        var fee = Given.Invoice("FEE-1", 12, "2026-03-01", "2026-03-08", 3) with { Kind = ItemKind.ReminderFee };
        var s = On(
            "2026-03-16",
            Given.Policy(8),
            [Letter("REM-1", "2026-03-02", 10, true, 1)],
            Overdue,
            InWindow,
            fee,
            Given.Credit(50, "2026-03-01")
        );
        $"{s.Open} {s.Discount} {s.LateCharges} {s.Fees}".ShouldBe("1450.00 10.00 7.67 22.00");
        s.ToPay.ToString().ShouldBe("1469.67");
        s.DiscountItems.ShouldBe(1);
        s.Workings[^1].Value.ShouldBe("1469.67");
    }

    // 1,000 at 8 % from 9 February to 16 March bears 7.67. Paid without it on that day, nothing is left where it is only shown;
    // where it is posted it is still asked for.
    [Theory]
    [InlineData(true, "2026-03-15", "1007.45")]
    [InlineData(true, "2026-03-16", "0.00")]
    [InlineData(true, "2026-04-16", "0.00")]
    [InlineData(false, "2026-03-16", "7.67")]
    public void Interest_that_is_shown_only_ends_with_the_item(bool shownOnly, string day, string toPay)
    {
        var paid = Overdue with
        {
            Movements = [.. Overdue.Movements, new(MovementKind.Cash, Today, Given.Pounds(-1000))],
        };
        On(day, Given.Policy(8) with { ShownOnly = shownOnly }, [], paid).ToPay.ToString().ShouldBe(toPay);
    }

    [Fact]
    public void The_next_change_is_the_first_day_with_another_figure()
    {
        var s = On("2026-03-16", Given.Policy(8), [], Overdue, InWindow);
        s.NextChange!.Date.ShouldBe(Given.Day("2026-03-19"));
        s.NextChange.Reason.ShouldContain("discount of 10.00 on INV-2");
        On("2026-03-18", null, [], InWindow).ToPay.ToString().ShouldBe("490.00");
        On("2026-03-19", null, [], InWindow).ToPay.ToString().ShouldBe("500.00");
    }

    [Fact]
    public void A_charge_that_is_about_to_begin_is_a_change_too()
    {
        var s = On("2026-03-20", Given.Policy(8, wait: 5), [], InWindow);
        s.NextChange!.Date.ShouldBe(Given.Day("2026-04-13"));
        s.NextChange.Reason.ShouldContain("begins");
        On("2026-04-12", Given.Policy(8, wait: 5), [], InWindow).LateCharges.IsZero.ShouldBeTrue();
        On("2026-04-13", Given.Policy(8, wait: 5), [], InWindow).LateCharges.IsZero.ShouldBeFalse();
    }

    [Fact]
    public void Nothing_but_interest_will_change_an_overdue_item() =>
        On("2026-03-16", Given.Policy(8), [], Overdue).NextChange.ShouldBeNull();

    [Fact]
    public void What_was_charged_before_is_not_asked_for_twice()
    {
        var charged = Overdue with
        {
            Raised = [new(7, Given.Day("2026-03-01"), Given.Day("2026-03-01"), Given.Pounds(4.38m), Given.Policy(8))],
        };
        On("2026-03-01", Given.Policy(8), [], charged).LateCharges.IsZero.ShouldBeTrue();
        On("2026-03-16", Given.Policy(8), [], charged).Charges.Single().Segments.Sum(s => s.Days).ShouldBe(15);
    }

    [Fact]
    public void A_past_day_shows_what_was_open_then()
    {
        var paid = Overdue with
        {
            Movements = [.. Overdue.Movements, Given.Moved(MovementKind.Cash, "2026-03-01", -1000)],
        };
        On("2026-02-28", null, [], paid).ToPay.ToString().ShouldBe("1000.00");
        On("2026-03-01", null, [], paid).ToPay.ToString().ShouldBe("0.00");
    }

    [Fact]
    public void Until_the_next_change_the_figure_moves_by_interest_alone() =>
        Gen.Select(Gen.Int[0, 120], Gen.Int[0, 30], Gen.Int[0, 20])
            .Sample(
                (offset, wait, window) =>
                {
                    var item = Given.Invoice(
                        "INV-9",
                        800,
                        "2026-01-01",
                        "2026-02-01",
                        9,
                        [new(Given.Day("2026-01-01").AddDays(window), 0, Given.Pounds(16))]
                    );
                    var day = Given.Day("2026-01-01").AddDays(offset);
                    ToSettle At(DateOnly on, LateChargePolicy? policy) =>
                        ToSettle.For(Given.Ledger(policy, item), on, Given.Rules(Today));
                    var now = At(day, Given.Policy(8, wait));
                    var last = now.NextChange?.Date.AddDays(-1) ?? day.AddDays(30);
                    var then = At(last, Given.Policy(8, wait));
                    (then.Open - then.Discount).ShouldBe(now.Open - now.Discount);
                    if (now.NextChange is { } next && next.Reason.Contains("discount"))
                        At(next.Date, null).ToPay.ShouldBeGreaterThan(At(last, null).ToPay);
                }
            );
}
