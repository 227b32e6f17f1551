using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Fees by every basis, repeats, jumps and letters a level.</summary>
public class ReminderPlanTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static ReminderLevel Level(int days, ReminderFee? fee = null, Treatment treatment = Treatment.Post) =>
        new()
        {
            DaysAfterDue = days,
            Fee = fee,
            FeeTreatment = fee is null ? Treatment.None : treatment,
            Texts = [new("", "Reminder")],
        };

    private static Item Late(int days, decimal amount, long id = 1, int level = 0, int? remindedDaysAgo = null) =>
        Given.Invoice($"INV-{id}", amount, "2025-01-01", $"{Today.AddDays(-days):yyyy-MM-dd}", id) with
        {
            ReminderLevel = level,
            Reminders = level,
            RemindedOn = remindedDaysAgo is { } ago ? Today.AddDays(-ago) : null,
        };

    private static ReminderProposal For(ReminderPlan plan, params Item[] items) =>
        ReminderProposal.For(Given.Ledger(Given.Policy(12), items) with { Plan = plan }, Today, Given.Rules(Today));

    public static TheoryData<ReminderFee, string> Fees =>
        new()
        {
            { new ReminderFee.PerLetter(12), "12.00" },
            { new ReminderFee.PerItem(2.5m), "5.00" },
            { new ReminderFee.Percent(1.5m), "15.00" },
            { new ReminderFee.ByBand([new(0, 5), new(1000, 20), new(1000.01m, 30)]), "20.00" },
        };

    [Theory]
    [MemberData(nameof(Fees))]
    public void A_fee_is_reckoned_on_its_basis(ReminderFee fee, string amount)
    {
        // Two items reach the level and are measured, 600.00 and 400.00; a third is only listed.
        var p = For(new() { Levels = [Level(7, fee)] }, Late(10, 600, 1), Late(8, 400, 2), Late(3, 500, 3));
        p.Fee.ToString().ShouldBe(amount);
        p.Workings().Single(w => w.Label.StartsWith("Fee", StringComparison.Ordinal)).Value.ShouldBe(amount);
        p.Total.ShouldBe(Given.Pounds(1500) + p.Fee);
    }

    /// <summary>
    /// Letters of 5.00 and 10.00 were shown; the third level's own fee is 2 % of 1,000.00. Worked by hand.
    /// </summary>
    [Theory]
    [InlineData(true, null, "20.00", "15.00")]
    [InlineData(true, 18, "3.00", "15.00")]
    [InlineData(true, 35, "20.00", "15.00")]
    [InlineData(false, null, "20.00", "0.00")]
    public void Shown_fees_of_earlier_letters_are_added_or_replaced_and_held_to_the_most(
        bool add,
        int? most,
        string own,
        string earlier
    )
    {
        var plan = new ReminderPlan
        {
            Levels =
            [
                Level(7),
                Level(14),
                Level(21, new ReminderFee.Percent(2), Treatment.Show) with
                {
                    AddEarlierFees = add,
                    MostFee = most,
                },
            ],
        };
        var ledger = Given.Ledger(null, Late(30, 1000, level: 2, remindedDaysAgo: 5)) with
        {
            Plan = plan,
            Letters = [Letter("REM-1", 20, 5), Letter("REM-2", 5, 10)],
        };
        var p = ReminderProposal.For(ledger, Today, Given.Rules(Today));
        $"{p.OwnFee} {p.EarlierFees}".ShouldBe($"{own} {earlier}");
        p.Workings().Any(w => w.Label == "Held to the most").ShouldBe(most == 18);
        // A fee that was posted is an item of the account, and is never asked for beside it.
        ReminderProposal
            .For(
                ledger with
                {
                    Letters = [.. ledger.Letters.Select(l => l with { FeePosted = true })],
                },
                Today,
                Given.Rules(Today)
            )
            .EarlierFees.IsZero.ShouldBeTrue();
    }

    private static SentReminder Letter(string number, int daysAgo, decimal fee) =>
        new(number, Today.AddDays(-daysAgo), 1, Given.Pounds(fee), false, false, [1]);

    [Fact]
    public void The_last_level_is_repeated_up_to_the_most_reminders()
    {
        var plan = new ReminderPlan
        {
            MostReminders = 4,
            Levels = [Level(7), Level(14) with { DaysSincePrevious = 10 }],
        };
        var item = Late(60, 100, level: 2, remindedDaysAgo: 10);
        For(plan, item).Level.ShouldBe(2);
        For(plan, item with { RemindedOn = Today.AddDays(-9) }).Level.ShouldBe(0);
        For(plan, item with { Reminders = 3 }).Level.ShouldBe(2);
        For(plan, item with { Reminders = 4 }).LeftOut.ShouldBe("Every overdue item has had its last reminder.");
        For(plan with { MostReminders = 1 }, Late(60, 100, level: 1, remindedDaysAgo: 30)).Level.ShouldBe(0);
    }

    [Theory]
    [InlineData(6, 0)]
    [InlineData(13, 1)]
    [InlineData(14, 2)]
    [InlineData(20, 2)]
    [InlineData(400, 3)]
    public void With_jumps_an_item_goes_to_the_highest_level_its_days_allow(int days, int level)
    {
        var plan = new ReminderPlan { AllowJumps = true, Levels = [Level(7), Level(14), Level(21)] };
        For(plan, Late(days, 100)).Level.ShouldBe(level);
        For(plan with { AllowJumps = false }, Late(days, 100)).Level.ShouldBe(Math.Min(level, 1));
    }

    [Fact]
    public void With_letters_a_level_the_highest_goes_first_and_covers_its_own_items()
    {
        var plan = new ReminderPlan
        {
            LetterPerLevel = true,
            Levels = [Level(7), Level(21) with { LeastOverdue = 50 }],
        };
        var (high, low, listed) = (Late(30, 200, 1, 1, 12), Late(10, 80, 2), Late(3, 40, 3));
        var first = For(plan, high, low, listed);
        (first.Level, string.Join(',', first.Items.Select(i => i.Item.Id))).ShouldBe((2, "1"));
        var second = For(plan, high with { ReminderLevel = 2, Reminders = 2, RemindedOn = Today }, low, listed);
        (second.Level, string.Join(',', second.Items.Select(i => i.Item.Id))).ShouldBe((1, "2"));
        // A level that asks for too little does not hold up the one below.
        For(plan, Late(30, 20, 1, 1, 12), low).Level.ShouldBe(1);
        For(plan, Late(30, 20, 1, 1, 12)).LeftOut.ShouldNotBeNull().ShouldContain("below the minimum");
    }

    [Fact]
    public void A_customer_gets_its_language_or_the_first_there_is()
    {
        var level = Level(7) with { Texts = [new("", "Reminder"), new("de", "Mahnung")] };
        level.TextFor("de").Subject.ShouldBe("Mahnung");
        level.TextFor("fr").Subject.ShouldBe("Reminder");
        level.TextFor("").Subject.ShouldBe("Reminder");
    }

    [Fact]
    public void What_makes_no_sense_is_named()
    {
        string[] Wrong(ReminderPlan plan) => [.. plan.Problems().Select(p => p.Field)];
        Wrong(new() { Levels = [Level(7, new ReminderFee.Percent(101))] }).ShouldBe(["levels[0].fee.rate"]);
        Wrong(new() { Levels = [Level(7, new ReminderFee.PerItem(0))] }).ShouldBe(["levels[0].fee.amount"]);
        Wrong(new() { Levels = [Level(7, new ReminderFee.ByBand([new(5, 1), new(4, -1)]))] })
            .ShouldBe(["levels[0].fee.bands[0].from", "levels[0].fee.bands[1].amount", "levels[0].fee.bands[1].from"]);
        Wrong(new() { Levels = [Level(7) with { Texts = [new("", "A"), new("", "B"), new("deu", "C")] }] })
            .ShouldBe(["levels[0].texts[1].language", "levels[0].texts[2].language"]);
        Wrong(new() { MostReminders = 5, Levels = [Level(7)] }).ShouldBe(["levels[0].daysSincePrevious"]);
        Wrong(
                new()
                {
                    MostReminders = 0,
                    Levels = [Level(7) with { MostFee = 0, AskColleague = new string('x', 101) }],
                }
            )
            .ShouldBe(["mostReminders", "levels[0].askColleague", "levels[0].mostFee"]);
    }

    /// <summary>
    /// Whatever the plan, no letter goes out before its waits are over, and no item above the last level.
    /// </summary>
    [Fact]
    public void An_item_is_never_reminded_early_or_beyond_the_plan() =>
        Gen.Select(Gen.Int[1, 120], Gen.Int[0, 3], Gen.Int[0, 60], Gen.Bool, Gen.Bool)
            .Sample(
                (late, level, ago, jumps, perLevel) =>
                {
                    var plan = new ReminderPlan
                    {
                        AllowJumps = jumps,
                        LetterPerLevel = perLevel,
                        Levels =
                        [
                            Level(7),
                            Level(21) with
                            {
                                DaysSincePrevious = 10,
                            },
                            Level(40) with
                            {
                                DaysSincePrevious = 14,
                            },
                        ],
                    };
                    var item = Late(late, 100, 1, level, level == 0 ? null : ago);
                    var p = For(plan, item);
                    if (p.Level == 0)
                        return;
                    p.Level.ShouldBeInRange(level + 1, 3);
                    late.ShouldBeGreaterThanOrEqualTo(plan.Levels[p.Level - 1].DaysAfterDue);
                    if (level > 0)
                        ago.ShouldBeGreaterThanOrEqualTo(plan.Levels[level].DaysSincePrevious);
                }
            );
}
