using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CalendarTests
{
    /// <summary>
    /// Source: QuantLib (month arithmetic, end of month, weekend adjustment), run by <c>quantlib_tables.py</c>.
    /// </summary>
    [Fact]
    public void Months_month_ends_and_adjustments_are_those_of_QuantLib()
    {
        var rows = Reference.Rows("months.csv").ToArray();
        rows.Length.ShouldBe(300);
        foreach (var row in rows)
        {
            var at = string.Join(' ', row);
            var day = Reference.Day(row[0]);
            var months = int.Parse(row[1], System.Globalization.CultureInfo.InvariantCulture);
            new DueRule(DueAnchor.InvoiceDate, months, 0).For(day).ShouldBe(Reference.Day(row[2]), at);
            new DueRule(DueAnchor.MonthEnd, 0, 0).For(day).ShouldBe(Reference.Day(row[3]), at);
            BusinessCalendar.WeekendsOnly.Adjust(day, BusinessDayRule.Next).ShouldBe(Reference.Day(row[4]), at);
            BusinessCalendar.WeekendsOnly.Adjust(day, BusinessDayRule.Previous).ShouldBe(Reference.Day(row[5]), at);
        }
    }

    /// <summary>Source: the spreadsheet functions EDATE and EOMONTH of <c>@formulajs/formulajs</c>.</summary>
    [Fact]
    public void Months_and_month_ends_are_those_of_spreadsheet_functions()
    {
        var rows = Reference.Rows("spreadsheet.csv").Where(r => r[0] is "edate" or "eomonth").ToArray();
        rows.Length.ShouldBe(120);
        foreach (var row in rows)
        {
            var months = int.Parse(row[2], System.Globalization.CultureInfo.InvariantCulture);
            var rule = new DueRule(row[0] == "edate" ? DueAnchor.InvoiceDate : DueAnchor.MonthEnd, months, 0);
            rule.For(Reference.Day(row[1])).ShouldBe(Reference.Day(row[3]), string.Join(' ', row));
        }
    }

    [Fact]
    public void A_holiday_is_passed_over_along_with_the_weekend_beside_it()
    {
        // Good Friday and Easter Monday 2026.
        var calendar = new BusinessCalendar([new(2026, 4, 3), new(2026, 4, 6)]);
        calendar.Adjust(new(2026, 4, 4), BusinessDayRule.Next).ShouldBe(new DateOnly(2026, 4, 7));
        calendar.Adjust(new(2026, 4, 5), BusinessDayRule.Previous).ShouldBe(new DateOnly(2026, 4, 2));
        calendar.Adjust(new(2026, 4, 3), BusinessDayRule.Keep).ShouldBe(new DateOnly(2026, 4, 3));
        calendar.Adjust(new(2026, 4, 7), BusinessDayRule.Next).ShouldBe(new DateOnly(2026, 4, 7));
    }

    [Theory]
    [InlineData("2026-01-31", 1, 0, "2026-02-28")]
    [InlineData("2024-01-31", 1, 0, "2024-02-29")]
    [InlineData("2026-01-31", 1, 5, "2026-03-05")]
    [InlineData("2026-12-15", 2, 10, "2027-02-25")]
    public void Months_come_before_days_and_clamp(string invoice, int months, int days, string due) =>
        new DueRule(DueAnchor.InvoiceDate, months, days).For(Reference.Day(invoice)).ShouldBe(Reference.Day(due));

    [Theory]
    [InlineData("2026-03-16", 15, null, "2026-04-15")]
    [InlineData("2026-01-31", 31, null, "2026-02-28")]
    [InlineData("2026-12-01", 10, null, "2027-01-10")]
    [InlineData("2026-03-25", 15, 25, "2026-04-15")]
    [InlineData("2026-03-26", 15, 25, "2026-05-15")]
    public void A_fixed_day_of_the_following_month_waits_one_more_after_the_cut_off(
        string invoice,
        int day,
        int? cutOff,
        string due
    ) =>
        new DueRule(DueAnchor.DayOfNextMonth(day, cutOff), 0, 0)
            .For(Reference.Day(invoice))
            .ShouldBe(Reference.Day(due));

    [Fact]
    public void A_month_has_no_day_32()
    {
        Should.Throw<ArgumentOutOfRangeException>(() => DueAnchor.DayOfNextMonth(32));
        Should.Throw<ArgumentOutOfRangeException>(() => DueAnchor.DayOfNextMonth(0));
        Should.Throw<ArgumentOutOfRangeException>(() => DueAnchor.DayOfNextMonth(1, 40));
    }

    [Fact]
    public void What_is_in_force_is_the_latest_start_and_the_last_word_on_it()
    {
        LimitChange[] history =
        [
            new(new(2026, 1, 1), Given.Pounds(1)),
            new(new(2026, 3, 1), Given.Pounds(3)),
            new(new(2026, 2, 1), Given.Pounds(2)),
            new(new(2026, 3, 1), Given.Pounds(4)),
        ];
        decimal? On(string day) => Dated.InForce(history, h => h.From, Given.Day(day))?.Amount.Amount;
        On("2025-12-31").ShouldBeNull();
        On("2026-01-31").ShouldBe(1);
        On("2026-02-28").ShouldBe(2);
        On("2026-03-01").ShouldBe(4);
    }
}
