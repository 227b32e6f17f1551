using System.Globalization;
using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>No calendar file keeps the reader busy or fails it; those that public calendars look like are read.</summary>
public class CalendarBoundsTests
{
    private static readonly DateOnly From = new(2026, 1, 1);
    private static readonly DateOnly To = new(2045, 12, 31);

    private static IReadOnlyList<Holiday> Read(params string[] lines) =>
        HolidayFile.Read(
            string.Join(
                "\r\n",
                ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//test//EN", .. lines, "END:VCALENDAR", ""]
            ),
            From,
            To
        );

    private static string[] Event(params string[] lines) =>
        ["BEGIN:VEVENT", $"UID:{string.Join('|', lines).GetHashCode()}", .. lines, "SUMMARY:A day", "END:VEVENT"];

    public static TheoryData<string, string[]> Endless =>
        new()
        {
            { "by the second", Event("DTSTART;VALUE=DATE:20260101", "RRULE:FREQ=SECONDLY") },
            { "by the hour", Event("DTSTART;VALUE=DATE:20260101", "RRULE:FREQ=HOURLY;INTERVAL=24") },
            {
                "a day that never comes",
                Event("DTSTART;VALUE=DATE:20260101", "RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30")
            },
            {
                "a day that never comes, by day",
                Event("DTSTART;VALUE=DATE:20260101", "RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30")
            },
            { "no date", Event("DTSTART;VALUE=DATE:20260230") },
            { "the first day of all", Event("DTSTART;VALUE=DATE:00010101", "RRULE:FREQ=DAILY") },
            {
                "a wide step",
                Event(
                    "DTSTART;VALUE=DATE:20260101",
                    "RRULE:FREQ=YEARLY;INTERVAL=2000000000",
                    "RDATE;VALUE=DATE:99990101"
                )
            },
            { "a long time", Event("DTSTART;VALUE=DATE:20260101", "DURATION:P999999999W") },
            { "ten years", Event("DTSTART;VALUE=DATE:20260101", "DTEND;VALUE=DATE:20360101") },
            {
                "a long rule",
                Event(
                    "DTSTART;VALUE=DATE:20260101",
                    "RRULE:FREQ=YEARLY;BYYEARDAY=" + string.Join(',', Enumerable.Range(1, 366))
                )
            },
            { "a rule that is none", Event("DTSTART;VALUE=DATE:20260101", "RRULE:FREQ=NEVER;COUNT=x") },
            {
                "many that recur by day from long ago",
                [
                    .. Enumerable
                        .Range(0, 60)
                        .SelectMany(i =>
                            Event("DTSTART;VALUE=DATE:19000101", $"RRULE:FREQ=DAILY;INTERVAL=1;COUNT={60_000 + i}")
                        ),
                ]
            },
            {
                "many that overlap",
                [
                    .. Enumerable
                        .Range(1, 300)
                        .SelectMany(i =>
                            Event(
                                $"DTSTART;VALUE=DATE:2026{1 + (i % 12):D2}{1 + (i % 28):D2}",
                                "DURATION:P365D",
                                "RRULE:FREQ=YEARLY"
                            )
                        ),
                ]
            },
            { "deep", [.. Enumerable.Repeat("BEGIN:VEVENT", 20_000)] },
        };

    [Theory]
    [MemberData(nameof(Endless))]
    public void A_calendar_beyond_its_bounds_is_refused_in_words(string what, string[] lines)
    {
        var refused = Should.Throw<RefusedException>(() => Read(lines), what);
        refused.Problems.ShouldHaveSingleItem().Field.ShouldBe("file", what);
    }

    [Fact]
    public void A_file_that_is_too_large_is_refused() =>
        Should.Throw<RefusedException>(() => HolidayFile.Read(new string('x', 1_000_001), From, To));

    [Fact]
    public void Time_zones_that_nobody_knows_and_meetings_by_the_second_are_passed_over() =>
        Read([
                .. Event("DTSTART;TZID=Nowhere/Atlantis:20260101T100000", "RRULE:FREQ=SECONDLY"),
                .. Event("DTSTART;VALUE=DATE:20260504"),
            ])
            .ShouldHaveSingleItem()
            .Date.ShouldBe(new(2026, 5, 4));

    [Fact]
    public void Twenty_years_of_rules_as_public_calendars_have_them_are_read()
    {
        var days = Read([
            .. Event("DTSTART;VALUE=DATE:19000101", "RRULE:FREQ=YEARLY"),
            .. Event("DTSTART;VALUE=DATE:19780501", "RRULE:FREQ=YEARLY;BYMONTH=5;BYDAY=1MO"),
            .. Event("DTSTART;VALUE=DATE:20000229", "RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29"),
            .. Event(
                "DTSTART;VALUE=DATE:20260102",
                "RRULE:FREQ=MONTHLY;BYDAY=-1FR;COUNT=12",
                "EXDATE;VALUE=DATE:20260227"
            ),
            .. Event("DTSTART;VALUE=DATE:20261224", "DTEND;VALUE=DATE:20270102"),
        ]);
        var dates = days.Select(d => d.Date).ToHashSet();
        dates.ShouldContain(new DateOnly(2045, 1, 1));
        dates.ShouldContain(new DateOnly(2026, 5, 4));
        dates.ShouldContain(new DateOnly(2044, 2, 29));
        dates.ShouldContain(new DateOnly(2026, 1, 30));
        dates.ShouldNotContain(new DateOnly(2026, 2, 27));
        dates.ShouldContain(new DateOnly(2026, 12, 31));
    }

    [Fact]
    public void A_thousand_single_days_are_read()
    {
        var events = Enumerable
            .Range(0, 1_000)
            .SelectMany(i =>
                Event($"DTSTART;VALUE=DATE:{From.AddDays(i * 3).ToString("yyyyMMdd", CultureInfo.InvariantCulture)}")
            );
        Read([.. events]).Count.ShouldBe(1_000);
    }
}
