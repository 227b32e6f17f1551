using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public class TextsAndCalendarsTests
{
    private static readonly DateOnly From = new(2026, 1, 1);
    private static readonly DateOnly To = new(2028, 12, 31);

    private static string File(string events) =>
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n"
        + events.ReplaceLineEndings("\r\n")
        + "END:VCALENDAR\r\n";

    private static string[] Read(string events) =>
        [.. HolidayFile.Read(File(events), From, To).Select(h => $"{h.Date:yyyy-MM-dd} {h.Name}")];

    [Fact]
    public void All_day_events_are_holidays_and_last_as_long_as_they_say() =>
        Read(
                """
                BEGIN:VEVENT
                UID:1
                DTSTART;VALUE=DATE:20260504
                SUMMARY:Spring day
                END:VEVENT
                BEGIN:VEVENT
                UID:2
                DTSTART;VALUE=DATE:20261225
                DTEND;VALUE=DATE:20261227
                SUMMARY:Yard closed
                END:VEVENT
                BEGIN:VEVENT
                UID:3
                DTSTART:20260601T100000Z
                DTEND:20260601T110000Z
                SUMMARY:A meeting
                END:VEVENT

                """
            )
            .ShouldBe(["2026-05-04 Spring day", "2026-12-25 Yard closed", "2026-12-26 Yard closed"]);

    [Fact]
    public void Events_that_recur_are_given_for_every_year_asked_for() =>
        Read(
                """
                BEGIN:VEVENT
                UID:1
                DTSTART;VALUE=DATE:20200101
                RRULE:FREQ=YEARLY
                SUMMARY:New Year
                END:VEVENT

                """
            )
            .ShouldBe(["2026-01-01 New Year", "2027-01-01 New Year", "2028-01-01 New Year"]);

    [Theory]
    [InlineData("Not a calendar at all")]
    [InlineData("")]
    [InlineData("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//EN\r\nEND:VCALENDAR\r\n")]
    public void A_file_without_holidays_is_refused_by_name(string text) =>
        Should.Throw<RefusedException>(() => HolidayFile.Read(text, From, To)).Problems[0].Field.ShouldBe("file");

    [Fact]
    public void The_text_of_terms_is_filled_with_the_dates_and_amounts_of_its_invoice()
    {
        var terms = Shorthand.Read("3/7, 1/14 n/45");
        var gbp = Currency.Of("GBP");
        var amounts = new InvoiceAmounts(Money.Exact(1000, gbp), Money.Exact(200, gbp), Money.Zero(gbp));
        var date = new DateOnly(2026, 3, 16);
        var schedule = PaymentSchedule.For(
            terms,
            amounts,
            date,
            BusinessCalendar.WeekendsOnly,
            RoundingRule.HalfAwayFromZero
        );
        TermsTexts
            .Fill("", terms, schedule, amounts, date)
            .ShouldBe(
                "Pay 1,164.00 GBP by 23 Mar 2026 and keep 36.00 GBP. Pay 1,188.00 GBP by 30 Mar 2026 and keep 12.00 "
                    + "GBP. 1,200.00 GBP is due on 30 Apr 2026."
            );
        TermsTexts
            .Fill(
                "{{ terms }}: {{ total }} by {{ due }}, or {% for d in discounts %}{{ d.percent }} % by {{ "
                    + "d.deadline }} {% endfor %}",
                terms,
                schedule,
                amounts,
                date
            )
            .ShouldBe("3/7, 1/14 n/45: 1,200.00 GBP by 30 Apr 2026, or 3 % by 23 Mar 2026 1 % by 30 Mar 2026");
    }

    [Theory]
    [InlineData("Pay {{ amount }}", "‘amount’")]
    [InlineData("Pay {{ total", "is not closed")]
    [InlineData("{% for d in discounts %}{{ d.wrong }}{% endfor %}", "‘discounts.wrong’")]
    public void A_text_with_an_unknown_field_is_refused_with_the_fields_there_are(string text, string named) =>
        TermsTexts.Kind.Problem(text).ShouldNotBeNull().ShouldContain(named);

    [Fact]
    public void The_usual_texts_are_sound()
    {
        TermsTexts.Kind.Problem(TermsTexts.Usual).ShouldBeNull();
        LetterTexts.Kind.Problem("{{ total }} by {{ pay_by }}").ShouldBeNull();
    }
}
