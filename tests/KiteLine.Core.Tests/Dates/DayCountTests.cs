using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class DayCountTests
{
    /// <summary>Source: QuantLib, run by <c>tests/reference/quantlib_tables.py</c>.</summary>
    [Fact]
    public void Days_and_fractions_are_those_of_QuantLib()
    {
        var rows = Reference.Rows("day-counts.csv").ToArray();
        rows.Length.ShouldBe(2000);
        foreach (var row in rows)
        {
            var (start, end, convention) = (Reference.Day(row[0]), Reference.Day(row[1]), DayCount.Of(row[2]));
            var at = string.Join(' ', row);
            convention
                .Days(start, end)
                .ShouldBe(int.Parse(row[3], System.Globalization.CultureInfo.InvariantCulture), at);
            convention.YearFraction(start, end).ShouldBe(Reference.Number(row[4]), 1e-13m, at);
        }
    }

    /// <summary>
    /// Source: the spreadsheet functions YEARFRAC and DAYS360 of the npm package <c>@formulajs/formulajs</c>.
    /// </summary>
    [Fact]
    public void Fractions_are_those_of_spreadsheet_functions()
    {
        var rows = Reference.Rows("spreadsheet.csv").Where(r => DayCount.Find(r[0]) is not null).ToArray();
        rows.Length.ShouldBe(450);
        foreach (var row in rows)
            DayCount
                .Of(row[0])
                .YearFraction(Reference.Day(row[1]), Reference.Day(row[2]))
                .ShouldBe(Reference.Number(row[3]), 1e-11m, string.Join(' ', row));
    }

    /// <summary>
    /// Source: ISDA, "EMU and Market Conventions: Recent Developments" (1998), worked examples; values from memory.
    /// </summary>
    [Theory]
    [InlineData("2003-11-01", "2004-05-01", "0.497724380567")]
    [InlineData("1999-02-01", "1999-07-01", "0.410958904110")]
    [InlineData("2000-01-30", "2000-06-30", "0.415300546448")]
    [InlineData("1999-11-30", "2000-04-30", "0.415540085336")]
    public void Actual_actual_gives_the_published_examples(string start, string end, string fraction) =>
        DayCount
            .Of("act/act-isda")
            .YearFraction(Reference.Day(start), Reference.Day(end))
            .ShouldBe(Reference.Number(fraction), 1e-12m);

    /// <summary>Source: ISDA Definitions 2006, section 4.16(f) and (g), applied by hand.</summary>
    [Theory]
    [InlineData("2026-01-31", "2026-03-31", 60, 60)]
    [InlineData("2026-01-30", "2026-03-31", 60, 60)]
    [InlineData("2026-01-15", "2026-03-31", 76, 75)]
    [InlineData("2026-02-28", "2026-03-31", 33, 32)]
    public void The_two_thirty_day_conventions_differ_at_the_31st_only(string start, string end, int bond, int euro)
    {
        DayCount.Of("30/360").Days(Reference.Day(start), Reference.Day(end)).ShouldBe(bond);
        DayCount.Of("30e/360").Days(Reference.Day(start), Reference.Day(end)).ShouldBe(euro);
    }

    [Fact]
    public void Actual_conventions_are_additive() =>
        Gen.Select(Given.AnyDay, Gen.Int[0, 900], Gen.Int[0, 900])
            .Sample(
                (start, first, second) =>
                {
                    var (middle, end) = (start.AddDays(first), start.AddDays(first + second));
                    foreach (var name in new[] { "act/365f", "act/360", "act/act-isda" })
                    {
                        var convention = DayCount.Of(name);
                        (convention.YearFraction(start, middle) + convention.YearFraction(middle, end)).ShouldBe(
                            convention.YearFraction(start, end),
                            1e-24m
                        );
                        (convention.Days(start, middle) + convention.Days(middle, end)).ShouldBe(
                            convention.Days(start, end)
                        );
                    }
                }
            );

    [Fact]
    public void Thirty_day_conventions_count_thirty_days_a_month_from_any_day_but_the_last() =>
        Gen.Select(Given.AnyDay.Where(d => d.Day <= 28), Gen.Int[0, 60])
            .Sample(
                (start, months) =>
                {
                    DayCount.Of("30/360").Days(start, start.AddMonths(months)).ShouldBe(30 * months);
                    DayCount.Of("30e/360").Days(start, start.AddMonths(months)).ShouldBe(30 * months);
                }
            );

    [Fact]
    public void A_day_to_itself_is_nothing()
    {
        foreach (var convention in DayCount.All)
            convention.YearFraction(new(2024, 2, 29), new(2024, 2, 29)).ShouldBe(0);
    }

    [Fact]
    public void An_end_before_the_start_is_an_error()
    {
        foreach (var convention in DayCount.All)
        {
            Should.Throw<ArgumentException>(() => convention.Days(new(2026, 3, 2), new(2026, 3, 1)));
            Should.Throw<ArgumentException>(() => convention.YearFraction(new(2026, 3, 2), new(2026, 3, 1)));
        }
    }

    [Fact]
    public void An_unknown_name_is_told_with_those_that_are_known() =>
        Should.Throw<ArgumentException>(() => DayCount.Of("actual/366")).Message.ShouldContain("act/act-isda");

    [Theory]
    [InlineData("act/365f", "31 / 365")]
    [InlineData("act/360", "31 / 360")]
    [InlineData("act/act-isda", "16 / 365 + 15 / 366")]
    [InlineData("30/360", "30 / 360")]
    public void The_fraction_is_explained_as_it_is_computed(string name, string words) =>
        DayCount.Of(name).Explain(new(2023, 12, 16), new(2024, 1, 16)).ShouldBe(words);
}
