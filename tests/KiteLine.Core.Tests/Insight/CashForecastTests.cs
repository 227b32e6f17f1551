using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>Expected cash by figures worked out by hand; 16 March 2026 is a Monday.</summary>
public class CashForecastTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    // Invoices of so many pounds by their due dates; one that was paid is given with the day of its payment.
    private static BookAccount Account(params (string Due, long Pounds, string? Paid)[] items)
    {
        var movements = new List<BookMovement>();
        var list = new List<BookItem>();
        foreach (var (due, pounds, paid) in items)
        {
            var date = Day(due).AddDays(-120);
            var first = movements.Count;
            movements.Add(new(date, pounds * 100, date));
            if (paid is not null)
                movements.Add(new(Day(paid), -pounds * 100, Day(paid), MovementKind.Cash));
            list.Add(
                new(ItemKind.Invoice, date, Day(due), paid is null ? pounds * 100 : 0, first, movements.Count - first)
            );
        }

        return new()
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Gbp,
            Items = [.. list],
            ItemIds = [.. list.Select((_, i) => (long)i)],
            Movements = [.. movements],
        };
    }

    private static IEnumerable<string> Told(BookAccount account, DateOnly? day = null) =>
        ExpectedCash
            .Of(account, day ?? Today, BusinessCalendar.WeekendsOnly)
            .Select(c => $"{c.Item} {c.On:MM-dd} {c.Certainty} {c.Minor / 100}");

    // It paid 10 days late before.
    private static readonly BookAccount TenLate = Account(
        ("2026-01-20", 100, "2026-01-30"),
        ("2026-03-10", 50, null),
        ("2026-04-02", 70, null),
        ("2026-02-01", 30, null)
    );

    [Fact]
    public void Money_comes_on_the_due_date_and_the_days_that_the_customer_usually_takes() =>
        // Due on 1 February, usual on 11 February, 33 days ago: as long again, 18 April is a Saturday.
        Told(TenLate).ShouldBe(["3 04-20 Late 30", "1 03-20 Usual 50", "2 04-13 Usual 70"]);

    [Fact]
    public void A_promise_covers_what_is_due_first_and_a_dispute_has_no_day()
    {
        var promised = TenLate with { Promises = [new(1, Day("2026-03-12"), Day("2026-03-18"), 60_00)] };
        Told(promised).ShouldBe(["3 03-18 Promised 30", "1 03-18 Promised 30", "1 03-20 Usual 20", "2 04-13 Usual 70"]);
        // Broken, it is none any more.
        Told(promised, Day("2026-03-23")).First().ShouldBe("3 05-04 Late 30");
        var disputed = TenLate with { Disputes = [new(1, 20_00, Day("2026-03-12"), null)] };
        Told(disputed).ShouldBe(["3 04-20 Late 30", "1  Disputed 20", "1 03-20 Usual 30", "2 04-13 Usual 70"]);
    }

    [Fact]
    public void Credits_are_taken_off_what_is_due_first_and_what_was_handed_over_has_no_day()
    {
        Told(WithReceipt(TenLate, 45_00, Day("2026-03-16"))).ShouldBe(["1 03-20 Usual 35", "2 04-13 Usual 70"]);
        Told(TenLate with { Collection = [new(1, Day("2026-03-01"), CollectionKind.Agency, "Agency")] })
            .ShouldBe(["3  HandedOver 30", "1  HandedOver 50", "2  HandedOver 70"]);
    }

    [Fact]
    public void Weeks_begin_on_the_day_after_and_add_up()
    {
        CashForecast.WeekOf(Today, Today).ShouldBeNull();
        CashForecast.WeekOf(Today, Day("2026-03-17")).ShouldBe(0);
        CashForecast.WeekOf(Today, Day("2026-03-23")).ShouldBe(0);
        CashForecast.WeekOf(Today, Day("2026-03-24")).ShouldBe(1);
        var account = Account(("2026-03-10", 50, null), ("2026-04-02", 70, null), ("2026-07-01", 8, null));
        var rates = new ExchangeRates(Gbp, [], 7, RoundingRule.HalfAwayFromZero);
        var f = CashForecast.Of([account], Today, BusinessCalendar.WeekendsOnly, rates);
        f.Weeks.Count.ShouldBe(13);
        // Without a habit the 10th is six days late, and comes in a week: on the 23rd.
        $"{f.Weeks[0].From:MM-dd} {f.Weeks[0].To:MM-dd} {f.Weeks[0].Late} {f.Weeks[2].Usual} {f.Later}".ShouldBe(
            "03-17 03-23 50.00 70.00 8.00"
        );
        f.Weeks.Aggregate(Int128.Zero, (sum, w) => sum + w.Sum.Minor).ShouldBe(120_00);
        CashReceived
            .Of([WithReceipt(account, 45_00, Day("2026-03-13"))], Day("2026-03-10"), Today, Today, rates)
            .ToString()
            .ShouldBe("45.00");
    }
}
