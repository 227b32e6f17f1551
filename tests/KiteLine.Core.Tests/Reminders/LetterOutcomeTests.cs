using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What letters brought; all figures are worked by hand.</summary>
public class LetterOutcomeTests
{
    private static DateOnly Day(int day) => new(2026, 3, day);

    // A letter of 2 March that gives days up to the 12th.
    private static LetterOutcome Of(int day, params (long Open, (int Day, long Minor)[] Cash)[] items) =>
        LetterOutcome.Of(
            1,
            Day(2),
            Day(12),
            Given.Pounds(5m),
            Given.Pounds(1.5m),
            items.Select(i =>
                (i.Open, (IReadOnlyList<(DateOnly, long)>)[.. i.Cash.Select(c => (Day(c.Day), c.Minor))])
            ),
            Day(day)
        );

    [Fact]
    public void Cash_counts_from_the_day_after_the_letter_to_the_last_day_it_gives()
    {
        var o = Of(16, (100_00, [(2, 10_00), (3, 20_00), (12, 30_00), (13, 15_00)]));
        (o.Asked, o.InTime, o.Later, o.Running).ShouldBe(
            (Given.Pounds(100m), Given.Pounds(50m), Given.Pounds(15m), false)
        );
    }

    [Fact]
    public void More_than_was_asked_for_is_not_brought_by_it()
    {
        var o = Of(16, (100_00, [(5, 80_00), (14, 90_00)]), (40_00, []));
        (o.InTime, o.Later, o.PaidInTime).ShouldBe((Given.Pounds(80m), Given.Pounds(20m), false));
        Of(16, (100_00, [(5, 180_00)])).PaidInTime.ShouldBeTrue();
    }

    // A payment of the 5th bounced: it is taken back on its own value date.
    [Fact]
    public void What_was_taken_back_is_as_if_it_had_never_been() =>
        Of(16, (100_00, [(5, 100_00), (5, -100_00), (15, 60_00)]))
            .ShouldSatisfyAllConditions(
                o => o.InTime.ShouldBe(Given.Pounds(0m)),
                o => o.Later.ShouldBe(Given.Pounds(60m))
            );

    [Fact]
    public void What_comes_after_the_day_of_the_question_is_not_known_on_it()
    {
        var o = Of(12, (100_00, [(5, 10_00), (13, 90_00)]));
        (o.InTime, o.Later, o.Running).ShouldBe((Given.Pounds(10m), Given.Pounds(0m), true));
    }

    [Fact]
    public void Letters_add_up_by_month_level_and_currency()
    {
        var results = ReminderResult.Of([
            Of(16, (100_00, [(5, 100_00)])),
            Of(16, (50_00, [])),
            Of(16, (10_00, [])) with
            {
                Level = 2,
            },
            Of(16, (10_00, [])) with
            {
                Date = new(2026, 2, 27),
            },
        ]);
        results
            .Select(r =>
                $"{r.Month:yyyy-MM} {r.Level} {r.Letters} {r.AllPaid} {r.Asked} {r.InTime} {r.Fee} {r.InTimeShare}"
            )
            .ShouldBe([
                "2026-03 1 2 1 150.00 100.00 10.00 0.6667",
                "2026-03 2 1 0 10.00 0.00 5.00 0",
                "2026-02 1 1 0 10.00 0.00 5.00 0",
            ]);
    }

    [Fact]
    public void Of_charges_it_is_told_what_was_raised_paid_waived_and_is_open()
    {
        var usd = Currency.Of("USD");
        ChargeResult
            .Of([
                (Given.Gbp, [(MovementKind.Opened, 12_00), (MovementKind.Cash, -12_00)]),
                (Given.Gbp, [(MovementKind.Opened, 8_00), (MovementKind.Cash, -1_00), (MovementKind.WriteOff, -3_00)]),
                (usd, [(MovementKind.Opened, 5_00)]),
            ])
            .Select(r => $"{r.Raised.Currency.Code} {r.Documents} {r.Raised} {r.Paid} {r.Waived} {r.Open}")
            .ShouldBe(["GBP 2 20.00 13.00 3.00 4.00", "USD 1 5.00 0.00 0.00 5.00"]);
    }
}
