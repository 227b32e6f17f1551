using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>On which days runs are proposed by themselves. Days by the calendar of 2026: 1 March is a Sunday.</summary>
public class RunTimingTests
{
    // Works from Monday to Friday, not on Good Friday and Easter Monday.
    private static readonly BusinessCalendar Easter = new([new(2026, 4, 3), new(2026, 4, 6)]);

    private static string[] Days(RunRhythm rhythm, int number, string from, string to)
    {
        var timing = new RunTiming(rhythm, number);
        var days = new List<string>();
        for (var day = Given.Day(from); day <= Given.Day(to); day = day.AddDays(1))
            if (timing.IsDue(day, Easter))
                days.Add($"{day:MM-dd}");
        return [.. days];
    }

    [Fact]
    public void Daily_is_every_business_day() =>
        Days(RunRhythm.Daily, 1, "2026-04-01", "2026-04-08").ShouldBe(["04-01", "04-02", "04-07", "04-08"]);

    [Fact]
    public void Weekly_waits_for_the_next_business_day_of_its_week_and_passes_a_week_without_one_over()
    {
        Days(RunRhythm.Weekly, 1, "2026-03-23", "2026-04-14").ShouldBe(["03-23", "03-30", "04-07", "04-13"]);
        // Friday the 3rd is a holiday, and the week has no business day after it.
        Days(RunRhythm.Weekly, 5, "2026-03-23", "2026-04-14").ShouldBe(["03-27", "04-10"]);
    }

    [Fact]
    public void Monthly_counts_business_days()
    {
        Days(RunRhythm.Monthly, 1, "2026-03-01", "2026-05-31").ShouldBe(["03-02", "04-01", "05-01"]);
        Days(RunRhythm.Monthly, 3, "2026-04-01", "2026-04-30").ShouldBe(["04-07"]);
    }

    [Fact]
    public void A_day_that_is_none_is_named()
    {
        static string? Wrong(RunRhythm rhythm, int number) =>
            new RunTiming(rhythm, number).Problems().FirstOrDefault().Field;
        Wrong(RunRhythm.Daily, 99).ShouldBeNull();
        Wrong(RunRhythm.Weekly, 6).ShouldBe("number");
        Wrong(RunRhythm.Weekly, 5).ShouldBeNull();
        Wrong(RunRhythm.Monthly, 0).ShouldBe("number");
        Wrong(RunRhythm.Monthly, 21).ShouldBe("number");
    }
}
