using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class HolidayCalendarTests
{
    private static readonly HolidayCalendar Yard = new()
    {
        Holidays = [new(Given.Day("2026-04-15"), "Stocktaking"), new(Given.Day("2026-04-16"), "Stocktaking")],
    };

    [Theory]
    [InlineData(BusinessDayRule.Keep, "2026-04-15")]
    [InlineData(BusinessDayRule.Next, "2026-04-17")]
    [InlineData(BusinessDayRule.Previous, "2026-04-14")]
    public void A_due_date_on_a_holiday_moves_by_the_rule(BusinessDayRule rule, string due)
    {
        var schedule = PaymentSchedule.For(
            Shorthand.Read("n/30").Under(new() { BusinessDays = rule }),
            Given.Amounts(100),
            Given.Day("2026-03-16"),
            Yard.ToBusinessCalendar(),
            RoundingRule.HalfAwayFromZero
        );
        schedule.Instalments[0].Due.ShouldBe(Given.Day(due));
    }

    [Fact]
    public void Deadlines_of_items_move_with_the_calendar_of_their_document()
    {
        var terms = Shorthand.Read("2/30 n/60").Under(new() { BusinessDays = BusinessDayRule.Next });
        ItemDiscounts
            .Of(
                terms,
                Given.Amounts(100),
                Given.Day("2026-03-16"),
                1,
                Given.Pounds(100),
                false,
                Yard.ToBusinessCalendar(),
                RoundingRule.HalfAwayFromZero
            )[0]
            .Deadline.ShouldBe(Given.Day("2026-04-17"));
        ItemDiscounts
            .Of(
                terms,
                Given.Amounts(100),
                Given.Day("2026-03-16"),
                1,
                Given.Pounds(100),
                false,
                BusinessCalendar.WeekendsOnly,
                RoundingRule.HalfAwayFromZero
            )[0]
            .Deadline.ShouldBe(Given.Day("2026-04-15"));
    }

    [Fact]
    public void Holidays_without_a_name_and_twice_on_a_day_are_named()
    {
        var twice = new HolidayCalendar
        {
            Holidays = [new(Given.Day("2026-04-15"), "A"), new(Given.Day("2026-04-15"), " ")],
        };
        twice.Problems().Select(p => p.Field).ShouldBe(["holidays[1].name", "holidays[1].date"]);
        new HolidayCalendar
        {
            Holidays = [.. Enumerable.Range(0, 2001).Select(n => new Holiday(Given.Day("2020-01-01").AddDays(n), "x"))],
        }
            .Problems()
            .ShouldHaveSingleItem()
            .Field.ShouldBe("holidays");
        Yard.Problems().ShouldBeEmpty();
    }
}
