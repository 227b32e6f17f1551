using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class DiscountWindowTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    private static string[] Dates(string terms, TermsConditions? conditions = null) =>
        [
            .. DiscountWindow
                .InvoiceDates(
                    Shorthand.Read(terms).Under(conditions ?? new()),
                    BusinessCalendar.WeekendsOnly,
                    Day,
                    Day.AddDays(3)
                )
                .Select(d => $"{d:MM-dd}")
                .Order(),
        ];

    // By hand: ten days after the 6th is the 16th, after the 9th the 19th.
    [Fact]
    public void An_invoice_is_in_it_whose_last_day_lies_in_the_days() =>
        Dates("2/10 n/30").ShouldBe(["03-06", "03-07", "03-08", "03-09"]);

    [Fact]
    public void Every_step_counts() =>
        Dates("3/7, 1/14 n/45").ShouldBe(["03-02", "03-03", "03-04", "03-05", "03-09", "03-10", "03-11", "03-12"]);

    [Fact]
    public void Grace_days_count_and_days_without_business_move_the_last_one()
    {
        Dates("2/10 n/30", new() { GraceDays = 2 }).ShouldBe(["03-04", "03-05", "03-06", "03-07"]);
        // 14 and 15 March are a weekend: what ended then ends on Monday the 16th.
        Dates("2/10 n/30", new() { BusinessDays = BusinessDayRule.Next })
            .ShouldBe(["03-04", "03-05", "03-06", "03-07", "03-08", "03-09"]);
    }

    [Fact]
    public void Terms_without_a_discount_have_none() => Dates("n/30").ShouldBeEmpty();

    [Fact]
    public void The_first_days_of_the_calendar_are_no_fault() =>
        DiscountWindow
            .InvoiceDates(Shorthand.Read("2/10 n/30"), BusinessCalendar.WeekendsOnly, new(1, 1, 5), new(1, 1, 8))
            .ShouldBeEmpty();
}
