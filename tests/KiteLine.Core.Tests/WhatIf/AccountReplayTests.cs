using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>
/// The past of one account under other rules; all values worked by hand. The invoice is of 1,000.00 of 2 June 2025, a Monday.
/// </summary>
public class AccountReplayTests
{
    private static readonly MeasuredPeriod Period = new(Day("2025-06-01"), Day("2025-12-31"));
    private static readonly DateOnly Today = Day("2026-01-15");

    private static ReplayItem Bought(string terms, string due, params Movement[] later)
    {
        var offer = new ItemOffer(
            Shorthand.Read(terms),
            Amounts(1000),
            Day("2025-06-02"),
            1,
            false,
            BusinessCalendar.WeekendsOnly,
            []
        );
        return new(
            offer.On(Invoice("INV-1", 1000, "2025-06-02", due, 1, null, later), RoundingRule.HalfAwayFromZero),
            offer
        );
    }

    private static Movement[] Paid(string day, decimal cash, decimal discount = 0) =>
        [
            .. new[] { Moved(MovementKind.Cash, day, -cash), Moved(MovementKind.Discount, day, -discount) }.Where(m =>
                !m.Amount.IsZero
            ),
        ];

    private static ReplayFacts Facts(params ReplayItem[] items) =>
        new()
        {
            Book = new()
            {
                Id = 1,
                Code = "A",
                Name = "A",
                Currency = Gbp,
            },
            Items = items,
        };

    private static IReadOnlyList<ReplayedLine> Lines(ReplayFacts facts, WhatIfChange change) =>
        AccountReplay.Of(facts, change, Period, new(Rules(Today), Positions())).Lines;

    private static string Told(ReplayFacts facts, WhatIfChange change) =>
        string.Join(
            "; ",
            Lines(facts, change)
                .Select(l =>
                    $"{l.Kind} {l.Happened?.ToString() ?? "-"} {l.Would?.ToString() ?? "-"}"
                    + (l.ByHand ? " by hand" : "")
                    + (l.ByOwnRules is { } ruled ? $" but {ruled}" : "")
                )
        );

    private static WhatIfChange Terms(string terms) => new() { Terms = Shorthand.Read(terms) };

    /// <summary>Paid on the seventh day; the cash stays as it came, and who had no discount to take takes the new one.</summary>
    [Theory]
    [InlineData("n/30", 1000, 0, "2/10 n/30", "Discount - 20.00")]
    [InlineData("n/30", 1000, 0, "2/5 n/30", "")]
    // 980.00 of 1,000.00 are short of the 990.00 that would have done: no discount, and 20.00 stay open.
    [InlineData("2/10 n/30", 980, 20, "1/10 n/30", "Discount 20.00 -")]
    [InlineData("2/10 n/30", 980, 20, "n/30", "Discount 20.00 -")]
    [InlineData("2/10 n/30", 980, 20, "2/10 n/30", "Discount 20.00 20.00")]
    // Left untaken, it stays so.
    [InlineData("2/10 n/30", 1000, 0, "3/10 n/30", "")]
    // What was deducted is taken and no more.
    [InlineData("2/10 n/30", 990, 10, "4/10 n/30", "Discount 10.00 10.00")]
    public void A_payment_takes_the_discount_in_force_on_its_day(
        string own,
        decimal cash,
        decimal discount,
        string other,
        string told
    ) => Told(Facts(Bought(own, "2025-07-02", Paid("2025-06-09", cash, discount))), Terms(other)).ShouldBe(told);

    /// <summary>Paid on the 25th with a discount that had ended on the 12th.</summary>
    [Theory]
    [InlineData("2/10 n/30", "Discount 20.00 20.00 by hand")]
    [InlineData("3/10 n/30", "Discount 20.00 20.00 by hand")]
    [InlineData("2/30 n/45", "Discount 20.00 20.00 by hand")]
    [InlineData("n/30", "Discount 20.00 - by hand")]
    public void What_was_allowed_late_stays_allowed_where_there_is_a_discount(string other, string told) =>
        Told(Facts(Bought("2/10 n/30", "2025-07-02", Paid("2025-06-25", 980, 20))), Terms(other)).ShouldBe(told);

    /// <summary>Half of it paid in time, where part payments earn their share: 500.00 × 20 / 980 is 10.20.</summary>
    [Fact]
    public void A_part_payment_earns_its_share_where_the_terms_say_so()
    {
        var terms = Shorthand.Read("2/10 n/30");
        var part = terms.Under(new() { PartPayments = true });
        var facts = Facts(Bought("n/30", "2025-07-02", Paid("2025-06-09", 500)));
        Told(facts, new() { Terms = part }).ShouldBe("Discount - 10.20");
        Told(facts, new() { Terms = terms }).ShouldBe("");
    }

    /// <summary>
    /// 2/10 n/30 costs 37.24 % a year. 1,000.00 for 26 days at 8 % is 5.698…; 980.00 for 38 days is 8.162….
    /// </summary>
    [Theory]
    // Paid on 6 June for the discount; without one on the due date, 2 July.
    [InlineData("2/10 n/30", "2025-06-06", 980, 20, "n/30", 20, "Discount 20.00 -; CashInterest - -5.70")]
    [InlineData("2/10 n/30", "2025-06-06", 980, 20, "n/30", 38, "Discount 20.00 -")]
    // Paid on 20 July; drawn to 12 June.
    [InlineData("n/30", "2025-07-20", 1000, 0, "2/10 n/30", 37, "Discount - 20.00; CashInterest - 8.16")]
    [InlineData("n/30", "2025-07-20", 1000, 0, "2/10 n/30", 38, "")]
    // What was paid before the deadline of the same discount stays on its day.
    [InlineData("2/10 n/30", "2025-06-06", 980, 20, "2/10 n/30", 20, "Discount 20.00 20.00")]
    public void A_discount_that_costs_enough_draws_the_payment(
        string own,
        string paid,
        decimal cash,
        decimal discount,
        string other,
        decimal percent,
        string told
    ) =>
        Told(
                Facts(Bought(own, "2025-07-02", Paid(paid, cash, discount))),
                Terms(other) with
                {
                    MovesFrom = percent / 100,
                    CostOfCapital = 0.08m,
                }
            )
            .ShouldBe(told);

    private static ChargeEvent Charge(decimal? amount, Money? cut = null, long? reversed = null) =>
        new(
            50,
            DateTimeOffset.UnixEpoch,
            Day("2025-08-01"),
            Day("2025-08-01"),
            amount is { } raised
                ? [(1, new RaisedLine(50, Day("2025-08-01"), Day("2025-08-01"), Pounds(raised), Policy(), false, cut))]
                : [],
            reversed
        );

    /// <summary>Due on 2 July, charged through 1 August: 30 days of 1,000.00 at 12 % are 9.863…, at 24 % 19.726….</summary>
    [Theory]
    [InlineData(9.86, "LateCharge 9.86 19.73")]
    [InlineData(9.00, "LateCharge 9.00 19.73 but 9.86")]
    public void A_charge_is_raised_on_its_day_by_the_other_policy(decimal raised, string told) =>
        Told(
                Facts(Bought("n/30", "2025-07-02")) with
                {
                    Charges = [Charge(raised)],
                    Policy = Policy(),
                },
                new() { LateCharges = Policy(24) }
            )
            .ShouldBe(told);

    [Fact]
    public void What_was_cut_stays_cut_what_was_left_out_stays_out_and_what_was_taken_back_is_in_neither()
    {
        var facts = Facts(Bought("n/30", "2025-07-02")) with { Policy = Policy() };
        var other = new WhatIfChange { LateCharges = Policy(24) };
        Told(facts with { Charges = [Charge(5, Pounds(5))] }, other).ShouldBe("LateCharge 5.00 5.00 by hand");
        // A run that did not charge what the own policy would have.
        Told(facts with { Charges = [Charge(null)] }, other).ShouldBe("");
        Told(facts with { Charges = [Charge(9.86m, null, 60)] }, other).ShouldBe("");
        // Without a policy of its own nothing was decided.
        Told(facts with { Charges = [Charge(null)], Policy = null }, other).ShouldBe("LateCharge - 19.73");
        Told(facts with { Charges = [Charge(9.86m)] }, new() { LateCharges = Policy(24) with { ShownOnly = true } })
            .ShouldBe("LateCharge 9.86 -");
    }

    /// <summary>Fifteen days later it is due: through 1 August 15 days of 1,000.00 at 12 % are 4.931….</summary>
    [Fact]
    public void Other_terms_move_what_is_late() =>
        Told(Facts(Bought("n/30", "2025-07-02")) with { Charges = [Charge(9.86m)], Policy = Policy() }, Terms("n/45"))
            .ShouldBe("LateCharge 9.86 4.93");

    /// <summary>What came in after the charge was raised, with an earlier value date, is not known when it is raised.</summary>
    [Fact]
    public void A_replay_knows_what_was_known()
    {
        var late = Bought(
            "n/30",
            "2025-07-02",
            new Movement(MovementKind.Cash, Day("2025-07-12"), Pounds(-1000), Day("2025-08-20"), 70)
        );
        var facts = Facts(late) with { Charges = [Charge(9.86m)], Policy = Policy() };
        Told(facts, WhatIfChange.None).ShouldBe("LateCharge 9.86 9.86");
        // A dispute that was noted afterwards for a day before is not known either.
        var disputed = late with
        {
            Item = late.Item with
            {
                Disputes = [new(Pounds(1000), Day("2025-07-03"), null, false, DateTimeOffset.UnixEpoch.AddDays(1))],
            },
        };
        Told(Facts(disputed) with { Charges = [Charge(9.86m)], Policy = Policy() }, WhatIfChange.None)
            .ShouldBe("LateCharge 9.86 9.86");
    }

    private static ReminderPlan Plan(int after, decimal fee) =>
        new()
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = after,
                    Fee = new ReminderFee.PerLetter(fee),
                    FeeTreatment = Treatment.Show,
                    Texts = [new("", "Please pay")],
                },
            ],
        };

    private static LetterEvent Letter(string day, decimal? fee) =>
        new(
            60,
            DateTimeOffset.UnixEpoch,
            Day(day),
            fee is { } asked ? new("REM-1", Day(day), 1, Pounds(asked), false, true, [1]) : null,
            fee is null ? null : Plan(7, 5),
            fee is null ? new Dictionary<long, int>() : new Dictionary<long, int> { [1] = 1 }
        );

    [Fact]
    public void Letters_go_out_by_the_other_plan_on_the_days_on_which_they_went()
    {
        var facts = Facts(Bought("n/30", "2025-07-02")) with
        {
            Letters = [Letter("2025-07-10", 5), Letter("2025-07-24", null)],
            Plan = Plan(7, 5),
        };
        Told(facts, WhatIfChange.None).ShouldBe("ReminderFee 5.00 5.00");
        Told(facts, new() { Reminders = Plan(7, 8) }).ShouldBe("ReminderFee 5.00 8.00");
        // On the 10th it is not yet 14 days late; on the 24th it is.
        Told(facts, new() { Reminders = Plan(14, 8) }).ShouldBe("ReminderFee 5.00 -; ReminderFee - 8.00");
    }

    [Fact]
    public void A_letter_that_nobody_sent_though_it_was_due_is_not_sent_by_another_plan()
    {
        var facts = Facts(Bought("n/30", "2025-07-02")) with
        {
            Letters = [Letter("2025-07-24", null)],
            Plan = Plan(7, 5),
        };
        Told(facts, new() { Reminders = Plan(14, 8) }).ShouldBe("");
        Told(facts with { Plan = null }, new() { Reminders = Plan(14, 8) }).ShouldBe("ReminderFee - 8.00");
    }

    private static ReplayFacts Ordered(decimal held, string reason = "") =>
        Facts() with
        {
            Book = Facts().Book with { Limits = [new(Day("2025-01-01"), Pounds(1000), Day("2025-01-01"))] },
            Orders = [new(7, "SO-1", Day("2025-09-01"), Pounds(800), Pounds(held), reason, [])],
            TermsAgreedOn = Day("2025-01-01"),
        };

    [Fact]
    public void Orders_are_held_by_other_limits_and_check_rules()
    {
        Told(Ordered(0), new() { LimitFactor = 1.5m }).ShouldBe("");
        Told(Ordered(0), new() { LimitFactor = 0.5m }).ShouldBe("OrderHeld - 800.00");
        Told(
                Ordered(0),
                new()
                {
                    LimitFactor = 0.5m,
                    Responses = new() { OverLimit = CheckResponse.Tell },
                }
            )
            .ShouldBe("");
        // Somebody held it all the same: where both rules say the same, that stays.
        Told(Ordered(800), new() { LimitFactor = 1.5m }).ShouldBe("OrderHeld 800.00 800.00");
        // It asks for a reason, and one was given.
        var asks = new WhatIfChange
        {
            LimitFactor = 0.5m,
            Responses = new() { OverLimit = CheckResponse.Ask },
        };
        Told(Ordered(0, "the customer paid"), asks).ShouldBe("");
        Told(Ordered(0), asks).ShouldBe("OrderHeld - 800.00");
    }
}
