using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Figures where time runs backwards: past days, back-dated receipts, reversals after a charge. All values are worked
/// by hand: 3,650.00 at 10 % act/365f bears 1.00 a day, and the account of every test has it due on 5 January 2026.
/// </summary>
public class PastDaysTests
{
    private static readonly LateChargePolicy Ten = Given.Policy(10);

    private static Item Debt(params Movement[] later) =>
        Given.Invoice("INV-1", 3650, "2025-12-06", "2026-01-05", 1, null, later);

    private static RaisedLine Raised(string through, decimal amount, long entry = 5, string? date = null) =>
        new(entry, Given.Day(date ?? through), Given.Day(through), Given.Pounds(amount), Ten);

    private static Movement Cash(string day, decimal amount, string posted, long entry) =>
        new(MovementKind.Cash, Given.Day(day), Given.Pounds(amount), Given.Day(posted), entry);

    private static ToSettle On(string day, AccountLedger ledger, string today = "2026-03-02") =>
        ToSettle.For(ledger, Given.Day(day), Given.Rules(Given.Day(today)));

    [Fact]
    public void Interest_of_a_past_day_stays_when_a_later_charge_is_raised()
    {
        On("2026-01-25", Given.Ledger(Ten, Debt())).LateCharges.ToString().ShouldBe("20.00");
        var raised = Given.Ledger(Ten, Debt() with { Raised = [Raised("2026-02-01", 27)] });
        On("2026-01-25", raised).LateCharges.ToString().ShouldBe("20.00");
        On("2026-02-01", raised).LateCharges.ToString().ShouldBe("0.00");
        On("2026-02-05", raised).LateCharges.ToString().ShouldBe("4.00");
        // The charge is known from the date of its document on, whatever days it covers.
        var late = Given.Ledger(Ten, Debt() with { Raised = [Raised("2026-02-01", 27, date: "2026-02-20")] });
        On("2026-02-10", late).LateCharges.ToString().ShouldBe("36.00");
        On("2026-02-20", late).LateCharges.ToString().ShouldBe("19.00");
    }

    [Fact]
    public void A_discount_in_force_on_a_past_day_stays_when_the_item_is_paid_later()
    {
        var paid = Given.Invoice(
            "INV-1",
            1000,
            "2026-01-05",
            "2026-02-04",
            1,
            [Given.Discount("2026-01-15", 20)],
            Cash("2026-01-25", -1000, "2026-01-26", 4)
        );
        var s = On("2026-01-15", Given.Ledger(null, paid));
        $"{s.Open} {s.Discount} {s.ToPay}".ShouldBe("1000.00 20.00 980.00");
        On("2026-01-16", Given.Ledger(null, paid)).ToPay.ToString().ShouldBe("1000.00");
        On("2026-01-25", Given.Ledger(null, paid)).ToPay.ToString().ShouldBe("0.00");
    }

    [Fact]
    public void A_fee_that_a_letter_showed_is_asked_for_on_every_day_its_items_were_open()
    {
        var ledger = Given.Ledger(null, Debt(Cash("2026-02-10", -3650, "2026-02-10", 4))) with
        {
            Letters = [new("REM-1", Given.Day("2026-01-20"), 1, Given.Pounds(15), false, true, [1])],
        };
        (string Day, string Fees)[] wanted =
        [
            ("2026-01-19", "0.00"),
            ("2026-01-20", "15.00"),
            ("2026-02-09", "15.00"),
            ("2026-02-10", "0.00"),
        ];
        foreach (var (day, fees) in wanted)
            On(day, ledger).Fees.ToString().ShouldBe(fees, day);
    }

    [Fact]
    public void What_is_open_by_value_and_as_shown_differ_only_between_the_two_dates_of_a_receipt()
    {
        var item = Debt(Cash("2026-01-10", -650, "2026-02-05", 4));
        (string Day, string Value, string Shown)[] wanted =
        [
            ("2026-01-09", "3650.00", "3650.00"),
            ("2026-01-10", "3000.00", "3650.00"),
            ("2026-02-04", "3000.00", "3650.00"),
            ("2026-02-05", "3000.00", "3000.00"),
        ];
        foreach (var (day, value, shown) in wanted)
            $"{item.OpenByValue(Given.Day(day))} {item.OpenAsShown(Given.Day(day))}".ShouldBe($"{value} {shown}", day);
    }

    /// <summary>
    /// 26 days were charged, 5 were due: 21.00 comes back. Reversed after 5.00 was charged: 21.00 is missing.
    /// </summary>
    [Fact]
    public void The_next_charge_makes_good_what_a_back_dated_receipt_or_its_reversal_changed()
    {
        var charged = Debt(Cash("2026-01-10", -3650, "2026-02-05", 8)) with { Raised = [Raised("2026-01-31", 26)] };
        var back = Given.Charges([charged], Ten, Given.Day("2026-02-10")).ShouldHaveSingleItem();
        $"{back.Interest} {back.Correction} {back.Total}".ShouldBe("0.00 -21.00 -21.00");

        var reversed = Debt(Cash("2026-01-10", -3650, "2026-01-10", 3), Cash("2026-01-10", 3650, "2026-02-05", 9)) with
        {
            Raised = [Raised("2026-01-31", 5)],
        };
        var missing = Given.Charges([reversed], Ten, Given.Day("2026-02-10")).ShouldHaveSingleItem();
        $"{missing.Interest} {missing.Correction} {missing.Total}".ShouldBe("10.00 21.00 31.00");

        // Once that is raised too, nothing is left to correct, and the sum is that of 36 days from scratch.
        var made = reversed with
        {
            Raised = [.. reversed.Raised, Raised("2026-02-10", 31, 12)],
        };
        Given.Charges([made], Ten, Given.Day("2026-02-10")).ShouldBeEmpty();
        made.Raised.Sum(r => r.Amount.Minor).ShouldBe(3600);
    }

    [Fact]
    public void A_correction_in_the_customers_favour_is_posted_as_a_credit()
    {
        var charged = Debt(Cash("2026-01-10", -3650, "2026-02-05", 8)) with { Raised = [Raised("2026-01-31", 26)] };
        var decision = ChargeDecision.Of(
            [charged],
            Ten,
            null,
            Given.Day("2026-02-10"),
            ChargeChanges.None,
            Given.Rules(Given.Day("2026-02-10"))
        );
        decision.Gross.ToString().ShouldBe("-21.00");
        decision
            .Posting.Lines.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables -21.00", "LateChargeIncome 21.00"]);
    }

    [Fact]
    public void A_charge_raised_by_an_earlier_version_stands_and_only_what_moved_since_is_made_good()
    {
        // It was rounded each day by rules that are no longer known: 25.90 for 26 days.
        var line = Raised("2026-01-31", 25.90m, entry: 5) with
        {
            AsRaised = true,
        };
        Given.Charges([Debt() with { Raised = [line] }], Ten, Given.Day("2026-01-31")).ShouldBeEmpty();
        var moved = Debt(Cash("2026-01-10", -3650, "2026-02-05", 8)) with { Raised = [line] };
        Given
            .Charges([moved], Ten, Given.Day("2026-02-10"))
            .ShouldHaveSingleItem()
            .Correction.ToString()
            .ShouldBe("-21.00");
        // What was known when it was raised is no reason to correct it.
        var known = Debt(Cash("2026-01-10", -3650, "2026-01-12", 3)) with
        {
            Raised = [line],
        };
        Given.Charges([known], Ten, Given.Day("2026-02-10")).ShouldBeEmpty();
    }

    [Fact]
    public void The_tax_of_a_late_charge_stands_in_what_is_to_settle_in_the_letter_and_in_the_posting()
    {
        var tax = new TaxCode { Rates = [new(Given.Day("2020-01-01"), 20, [new("Office", 20)])] };
        var plan = new ReminderPlan
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 7,
                    LateCharge = Treatment.Show,
                    Texts = [new("", "Reminder")],
                },
            ],
        };
        var ledger = Given.Ledger(Ten, Debt()) with { ChargeTax = tax, Plan = plan };
        var day = Given.Day("2026-02-01");
        var rules = Given.Rules(day);
        ToSettle.For(ledger, day, rules).LateCharges.ToString().ShouldBe("32.40");
        ReminderProposal.For(ledger, day, rules).LateCharge.ToString().ShouldBe("32.40");
        var decision = ChargeDecision.Of(ledger.Items, Ten, tax, day, ChargeChanges.None, rules);
        $"{decision.Net} {decision.Tax} {decision.Gross}".ShouldBe("27.00 5.40 32.40");
    }

    /// <summary>782.28 paid a day late with two days to wait was asked for 40.17; it bears nothing.</summary>
    [Theory]
    [InlineData("2026-01-06", "0.00")]
    [InlineData("2026-01-07", "0.00")]
    [InlineData("2026-01-08", "0.64")]
    public void What_is_paid_within_the_wait_is_never_charged(string paid, string charge)
    {
        // On the third day: 782.28 × 10 % × 3 / 365 = 0.643.
        var item = Given.Invoice("INV-1", 782.28m, "2025-12-06", "2026-01-05", 1, null, Cash(paid, -782.28m, paid, 4));
        Given.Charge(item, Given.Policy(10, wait: 2), Given.Day("2026-03-31")).Total.ToString().ShouldBe(charge);
    }

    /// <summary>
    /// 679.75 × 6 % × 120 / 360 is 13.595 exactly; a fraction that is cut before the multiplication gives 13.59.
    /// </summary>
    [Fact]
    public void A_tie_is_a_tie_however_the_fraction_is_written()
    {
        var item = Given.Invoice("INV-1", 679.75m, "2026-01-01", "2026-01-31");
        var policy = Given.Policy(6, dayCount: "30e/360");
        Given.Charge(item, policy, Given.Day("2026-05-30")).Total.ToString().ShouldBe("13.60");
        AccountCharges
            .OfItem(item, policy, null, Given.Day("2026-05-30"), RoundingRule.HalfToEven)
            .Total.ToString()
            .ShouldBe("13.60");
        // 679.25 × 2 % is 13.585, of which half to even makes 13.58.
        AccountCharges
            .OfItem(
                Given.Invoice("INV-1", 679.25m, "2026-01-01", "2026-01-31"),
                policy,
                null,
                Given.Day("2026-05-30"),
                RoundingRule.HalfToEven
            )
            .Total.ToString()
            .ShouldBe("13.58");
    }

    [Fact]
    public void The_next_change_of_a_monthly_policy_is_the_day_on_which_a_month_is_charged()
    {
        // 1.5 % of 3,650 is 54.75 a month begun: the first on 6 January, the second on 6 February.
        var monthly = new LateChargePolicy
        {
            Method = ChargeMethod.Monthly,
            DayCount = DayCount.Of("act/365f"),
            Monthly = new(1.5m, MonthsCounted.Started),
        };
        var ledger = Given.Ledger(monthly, Debt());
        On("2026-01-20", ledger).NextChange!.Date.ShouldBe(Given.Day("2026-02-06"));
        $"{On("2026-02-05", ledger).LateCharges} {On("2026-02-06", ledger).LateCharges}".ShouldBe("54.75 109.50");
        var full = Given.Ledger(monthly with { Monthly = new(1.5m, MonthsCounted.Full) }, Debt());
        On("2026-01-20", full).NextChange!.Date.ShouldBe(Given.Day("2026-02-05"));
        $"{On("2026-02-04", full).LateCharges} {On("2026-02-05", full).LateCharges}".ShouldBe("0.00 54.75");
    }

    [Fact]
    public void An_item_within_its_wait_changes_on_the_day_after_it()
    {
        var ledger = Given.Ledger(Given.Policy(10, wait: 10), Debt());
        On("2026-01-08", ledger).NextChange!.Date.ShouldBe(Given.Day("2026-01-16"));
        $"{On("2026-01-15", ledger).LateCharges} {On("2026-01-16", ledger).LateCharges}".ShouldBe("0.00 11.00");
        // Paid within the wait as seen from a day after, it still stood before a change on the day before it was paid.
        var paid = Given.Ledger(Given.Policy(10, wait: 10), Debt(Cash("2026-01-14", -3650, "2026-01-14", 4)));
        On("2026-01-08", paid).NextChange!.Date.ShouldBe(Given.Day("2026-01-16"));
        On("2026-01-14", paid).NextChange.ShouldBeNull();
    }
}
