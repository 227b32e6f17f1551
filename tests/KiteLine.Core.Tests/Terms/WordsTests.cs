using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What workings and letters say in words and figures.</summary>
public class WordsTests
{
    [Theory]
    [InlineData("0.42465753424658", 12, 20, "0.42465753424658")]
    [InlineData("0.5", 12, 20, "0.500000000000")]
    [InlineData("0.123456789", 6, 8, "0.12345679")]
    [InlineData("1234.5", 2, 6, "1234.50")]
    [InlineData("-0.0000001", 2, 6, "-0.00")]
    public void An_exact_figure_has_at_least_and_at_most_so_many_decimals(
        string value,
        int least,
        int most,
        string written
    )
    {
        var figure = Exactly.Figure(Reference.Number(value), least, most);
        figure.TrimStart('-').ShouldBe(written.TrimStart('-'));
    }

    [Theory]
    [InlineData("2.00", "2")]
    [InlineData("2.50", "2.5")]
    [InlineData("11.75", "11.75")]
    [InlineData("0", "0")]
    public void A_rate_has_no_needless_zeros(string value, string written) =>
        Exactly.Plain(Reference.Number(value)).ShouldBe(written);

    [Fact]
    public void A_day_is_written_as_in_letters() => Exactly.Day(new(2026, 3, 6)).ShouldBe("6 Mar 2026");

    [Theory]
    [InlineData("n/30", "invoice date 16 Mar 2026 + 30 days")]
    [InlineData("n/2m+5", "invoice date 16 Mar 2026 + 2 months + 5 days")]
    [InlineData("n/10 EOM", "month end 31 Mar 2026 + 10 days")]
    [InlineData("15 prox", "day 15 of the following month, 15 Apr 2026")]
    [InlineData("COD", "invoice date 16 Mar 2026")]
    public void A_due_rule_is_explained_with_its_dates(string text, string words) =>
        Shorthand.Read(text).Instalments[0].Due.Explain(new(2026, 3, 16)).ShouldBe(words);

    [Fact]
    public void A_schedule_shows_where_each_figure_comes_from()
    {
        var schedule = Given.Schedule(
            Shorthand.Read("2/10, 40% now, rest 20"),
            Given.Amounts(1000, 200, 12),
            Given.Day("2026-03-16"),
            workings: true
        );
        schedule
            .Workings.Select(w => $"{w.Label} = {w.Value}")
            .ShouldBe([
                "Invoice total = 1200.00",
                "Instalment 1: date = 16 Mar 2026",
                "Instalment 1: amount = 480.00",
                "Instalment 2: date = 5 Apr 2026",
                "Instalment 2: amount = 720.00",
                "Discount base = 1188.00",
                "Discount: deadline = 26 Mar 2026",
                "Discount: amount = 23.76",
                "Discount: payable = 1176.24",
                "Discount: simple annual cost = 74.49 %",
                "Discount: effective annual cost = 109.05 %",
            ]);
        Given.Schedule(Shorthand.Read("n/30"), Given.Amounts(1), Given.Day("2026-03-16")).Workings.ShouldBeEmpty();
    }

    [Fact]
    public void A_fixed_discount_is_costed_by_what_it_is_of_the_whole()
    {
        var step = Given
            .Schedule(Shorthand.Read("20.00 off/10 n/30"), Given.Amounts(1000), Given.Day("2026-03-16"))
            .Discounts[0];
        step.Percent.ShouldBeNull();
        step.SimpleAnnualCost!.Value.ShouldBe(0.3724m, 0.0001m);
        Given
            .Schedule(Shorthand.Read("20.00 off/10 n/30"), Given.Amounts(15), Given.Day("2026-03-16"))
            .Discounts[0]
            .Payable.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void A_reminder_plan_tells_when_an_item_can_next_be_reminded()
    {
        var plan = new ReminderPlan
        {
            Levels =
            [
                new() { DaysAfterDue = 7, Texts = [] },
                new()
                {
                    DaysAfterDue = 21,
                    DaysSincePrevious = 10,
                    Texts = [],
                },
            ],
        };
        var item = Given.Invoice("INV-1", 10, "2026-01-01", "2026-01-31");
        plan.NextOn(item).ShouldBe(Given.Day("2026-02-07"));
        plan.NextOn(item with { ReminderLevel = 1, Reminders = 1, RemindedOn = Given.Day("2026-02-08") })
            .ShouldBe(Given.Day("2026-02-21"));
        plan.NextOn(item with { ReminderLevel = 1, Reminders = 1, RemindedOn = Given.Day("2026-02-18") })
            .ShouldBe(Given.Day("2026-02-28"));
        plan.NextOn(item with { ReminderLevel = 2, Reminders = 2 }).ShouldBeNull();
    }

    [Fact]
    public void Exposure_workings_name_what_the_company_does_not_count()
    {
        var account = new BookAccount
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Given.Gbp,
            Limits = [new(DateOnly.MinValue, Given.Pounds(100))],
            Orders = [new(9, "SO-9", new(2026, 3, 1), [new(new(2026, 3, 1), 5000, 4000, 1000)], [])],
            Items = [new(ItemKind.CreditNote, new(2026, 3, 1), new(2026, 3, 1), -500, 0, 1)],
            Movements = [new(new(2026, 3, 1), -500)],
        };
        var position = AccountPosition.On(account, new(2026, 3, 16), Given.Positions(new(CreditsReduce: false)));
        var lines = ExposureWorkings.Of(["CRN-1"], position, new(CreditsReduce: false));
        lines
            .Select(l => $"{l.Label} = {l.Value}")
            .ShouldBe([
                "CRN-1 = —",
                "Open items = 0.00",
                "SO-9 = 30.00",
                "Exposure = 30.00",
                "Effective limit = 100.00",
                "Headroom = 70.00",
            ]);
        lines[0].Formula.ShouldContain("not counted by the company");
    }
}
