using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ReminderProposalTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static readonly ReminderPlan Plan = new()
    {
        Levels =
        [
            new()
            {
                DaysAfterDue = 7,
                LeastOverdue = 10,
                Texts = [new("", "First")],
            },
            new()
            {
                DaysAfterDue = 21,
                DaysSincePrevious = 10,
                DaysToPay = 5,
                Fee = new ReminderFee.PerLetter(12),
                FeeTreatment = Treatment.Post,
                LateCharge = Treatment.Show,
                Texts = [new("", "Second")],
            },
        ],
    };

    private static Item Overdue(
        int days,
        decimal amount = 100,
        int level = 0,
        int? remindedDaysAgo = null,
        long id = 1
    ) =>
        new()
        {
            Id = id,
            Document = $"INV-{id}",
            Kind = ItemKind.Invoice,
            Date = Today.AddDays(-days - 30),
            Due = Today.AddDays(-days),
            Movements = [new(MovementKind.Opened, Today.AddDays(-days - 30), Given.Pounds(amount))],
            ReminderLevel = level,
            Reminders = level,
            RemindedOn = remindedDaysAgo is { } ago ? Today.AddDays(-ago) : null,
        };

    private static ReminderProposal For(params Item[] items) =>
        ReminderProposal.For(Given.Ledger(Given.Policy(12), items) with { Plan = Plan }, Today, Given.Rules(Today));

    [Theory]
    [InlineData(6, 0, null, 0)]
    [InlineData(7, 0, null, 1)]
    [InlineData(50, 0, null, 1)]
    [InlineData(20, 1, 13, 0)]
    [InlineData(21, 1, 13, 2)]
    [InlineData(30, 1, 9, 0)]
    [InlineData(30, 1, 10, 2)]
    [InlineData(90, 2, 60, 0)]
    public void An_item_moves_one_level_at_a_time_when_both_waits_are_over(
        int overdue,
        int level,
        int? remindedDaysAgo,
        int proposed
    ) => For(Overdue(overdue, level: level, remindedDaysAgo: remindedDaysAgo)).Level.ShouldBe(proposed);

    [Fact]
    public void One_letter_covers_all_overdue_items_at_the_highest_level_reached()
    {
        var p = For(
            Overdue(30, 200, 1, 14, 1),
            Overdue(9, 50, 0, null, 2),
            Overdue(3, 70, 0, null, 3),
            Overdue(-5, 999, 0, null, 4)
        );
        p.Level.ShouldBe(2);
        p.Items.Select(i => $"{i.Item.Document} {i.Level} {i.Moves}")
            .ShouldBe(["INV-1 2 True", "INV-2 1 True", "INV-3 0 False"]);
        (p.Moving.Count, p.Listed.Single().Item.Document).ShouldBe((2, "INV-3"));
        p.Fee.ToString().ShouldBe("12.00");
        p.PayBy.ShouldBe(Today.AddDays(5));
        // At 12 % act/365f: 200.00 for 30 days is 1.97, 50.00 for 9 is 0.15, 70.00 for 3 is 0.07.
        p.LateCharge.ToString().ShouldBe("2.19");
        p.Total.ToString().ShouldBe("334.19");
        Reference.Number(p.Workings()[^1].Value).ShouldBe(p.Total.Amount);
    }

    [Fact]
    public void Why_nothing_goes_out_is_said()
    {
        For(Overdue(-3)).LeftOut.ShouldBe("Nothing is overdue.");
        For(Overdue(7, 9.99m)).LeftOut.ShouldNotBeNull().ShouldContain("below the minimum");
        For(Overdue(90, level: 2, remindedDaysAgo: 30)).LeftOut.ShouldNotBeNull().ShouldContain("last reminder");
        For(Overdue(7), Given.Credit(100, "2026-03-01")).LeftOut.ShouldNotBeNull().ShouldContain("Credits of 100.00");
        ReminderProposal
            .For(Given.Ledger(null, Overdue(7)), Today, Given.Rules(Today))
            .LeftOut.ShouldNotBeNull()
            .ShouldContain("no reminder plan");
        var waiting = For(Overdue(3));
        waiting.NextOn.ShouldBe(Today.AddDays(4));
        waiting.LeftOut.ShouldNotBeNull().ShouldContain("20 Mar 2026");
    }

    [Fact]
    public void The_late_charge_is_stated_only_where_the_level_says_so() =>
        For(Overdue(10)).LateCharge.IsZero.ShouldBeTrue();

    [Fact]
    public void Plans_that_make_no_sense_name_the_field()
    {
        string[] Fields(params ReminderLevel[] levels) =>
            [
                .. new ReminderPlan { Levels = levels }
                    .Problems()
                    .Select(p => p.Field),
            ];
        var good = new ReminderLevel { DaysAfterDue = 5, Texts = [new("", "S")] };
        Fields(good).ShouldBeEmpty();
        Fields().ShouldBe(["levels"]);
        Fields(good, good).ShouldBe(["levels[1].daysAfterDue"]);
        Fields(good with { Fee = new ReminderFee.PerLetter(5) }).ShouldBe(["levels[0].feeTreatment"]);
        Fields(good with { FeeTreatment = Treatment.Post }).ShouldBe(["levels[0].fee"]);
        Fields(good with { Texts = [new("", " ")], DaysToPay = 0 })
            .ShouldBe(["levels[0].daysToPay", "levels[0].texts[0].subject"]);
        Fields([.. Enumerable.Range(1, 10).Select(n => good with { DaysAfterDue = n })]).ShouldBe(["levels"]);
    }
}
