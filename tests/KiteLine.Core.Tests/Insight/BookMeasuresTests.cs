using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>Measures of a small book by figures worked out by hand.</summary>
public class BookMeasuresTests
{
    private static readonly ILookup<long, PaidBefore> Nothing = Array
        .Empty<long>()
        .ToLookup(x => x, _ => default(PaidBefore));

    private sealed record Line(ItemKind Kind, string Date, string Due, params BookMovement[] Movements);

    private static BookMovement Moved(MovementKind kind, string value, long minor, string? posted = null) =>
        new(Day(value), minor, Day(posted ?? value), kind);

    private static BookAccount Account(params Line[] lines)
    {
        var movements = lines.SelectMany(l => l.Movements).ToArray();
        var at = 0;
        return new()
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Gbp,
            Items =
            [
                .. lines.Select(l =>
                {
                    var item = new BookItem(l.Kind, Day(l.Date), Day(l.Due), 0, at, l.Movements.Length);
                    at += l.Movements.Length;
                    return item;
                }),
            ],
            ItemIds = [.. lines.Select((_, i) => (long)i)],
            Movements = movements,
        };
    }

    private static readonly BookAccount Book = Account(
        // January: 1,000.00, paid on 20 February, 20 days late and 50 after its date.
        new(
            ItemKind.Invoice,
            "2026-01-01",
            "2026-01-31",
            Moved(MovementKind.Opened, "2026-01-01", 100_000),
            Moved(MovementKind.Cash, "2026-02-20", -100_000)
        ),
        // February: 600.00, half of it paid 10 days early, which was posted in March.
        new(
            ItemKind.Invoice,
            "2026-02-08",
            "2026-03-10",
            Moved(MovementKind.Opened, "2026-02-08", 60_000),
            Moved(MovementKind.Cash, "2026-02-28", -30_000, "2026-03-02")
        ),
        // A credit note of February over 100.00; and one of 50.00 that was taken back in March.
        new(ItemKind.CreditNote, "2026-02-10", "2026-02-10", Moved(MovementKind.Opened, "2026-02-10", -10_000)),
        new(
            ItemKind.CreditNote,
            "2026-02-11",
            "2026-02-11",
            Moved(MovementKind.Opened, "2026-02-11", -5_000),
            Moved(MovementKind.Opened, "2026-02-11", 5_000, "2026-03-05")
        ),
        // A late charge of 12.00 of which 5.00 were paid, and one of 8.00 that was taken back.
        new(
            ItemKind.LateCharge,
            "2026-02-15",
            "2026-02-15",
            Moved(MovementKind.Opened, "2026-02-15", 1_200),
            Moved(MovementKind.Cash, "2026-02-20", -500)
        ),
        new(
            ItemKind.LateCharge,
            "2026-02-15",
            "2026-02-15",
            Moved(MovementKind.Opened, "2026-02-15", 800),
            Moved(MovementKind.Opened, "2026-02-15", -800, "2026-02-16")
        )
    );

    private static BookMeasures Of(string from, string to, ILookup<long, PaidBefore>? before = null) =>
        BookMeasures.Of(
            [Book],
            new(Day(from), Day(to)),
            new ExchangeRates(Gbp, [], 7, RoundingRule.HalfAwayFromZero),
            before ?? Nothing
        );

    [Fact]
    public void February_as_the_books_showed_it_at_its_end()
    {
        var m = Of("2026-02-01", "2026-02-28");
        $"{m.ReceivablesStart} {m.ReceivablesEnd} {m.NotDueEnd}".ShouldBe("1000.00 457.00 600.00");
        // 600 less 100 less 50.
        m.Months.ShouldBe([new MonthSales(28, 450m)]);
        // 457 / 450 × 28, 600 / 450 × 28, (1000 + 450 − 457) / (1000 + 450 − 600) × 100.
        Math.Round(m.Ratios.SalesOutstanding!.Value, 4).ShouldBe(28.4356m);
        Math.Round(m.Ratios.BestPossible!.Value, 4).ShouldBe(37.3333m);
        Math.Round(m.Ratios.CollectionEffectiveness!.Value, 4).ShouldBe(116.8235m);
        // By value: 1,000 at 50 days and 300 at 20 days; 20 days late and 10 early.
        Math.Round(m.DaysToPay!.Value, 4).ShouldBe(43.0769m);
        Math.Round(m.DaysLate!.Value, 4).ShouldBe(13.0769m);
        $"{m.ChargesRaised} {m.ChargesPaid} {m.ChargesReversed} {m.ChargesOpen}".ShouldBe("20.00 5.00 8.00 7.00");
    }

    [Fact]
    public void What_is_taken_back_counts_in_the_period_in_which_it_was()
    {
        var m = Of("2026-03-01", "2026-03-16");
        $"{m.ReceivablesStart} {m.ReceivablesEnd} {m.NotDueEnd}".ShouldBe("457.00 207.00 0.00");
        m.Months.ShouldBe([new MonthSales(16, 50m)]);
        m.DaysToPay.ShouldBeNull();
        // Together they are what both months are: 450 and 50.
        Of("2026-02-01", "2026-03-16").Months.ShouldBe([new MonthSales(28, 450m), new MonthSales(16, 50m)]);
    }

    [Fact]
    public void What_was_paid_before_the_books_began_was_sold_all_the_same()
    {
        var before = new[] { new PaidBefore(new(2026, 2, 5), 40_000), new PaidBefore(new(2026, 1, 5), 7) };
        Of("2026-02-01", "2026-02-28", before.ToLookup(_ => 1L)).Months.ShouldBe([new MonthSales(28, 850m)]);
    }

    [Fact]
    public void Nothing_gives_no_ratios()
    {
        var m = Of("2025-02-01", "2025-02-28");
        m.Ratios.SalesOutstanding.ShouldBeNull();
        m.Ratios.CollectionEffectiveness.ShouldBeNull();
        m.DaysLate.ShouldBeNull();
    }

    [Fact]
    public void A_period_parts_into_months_and_rolls_back_by_them()
    {
        var period = new MeasuredPeriod(new(2025, 12, 15), new(2026, 2, 10));
        period.MonthEnds.ShouldBe([new(2025, 12, 31), new(2026, 1, 31), new(2026, 2, 10)]);
        period.MonthDays.ShouldBe([17, 31, 10]);
        period.Days.ShouldBe(58);
        period
            .Rolling(3)
            .Select(p => $"{p.From:yyyy-MM-dd} {p.To:yyyy-MM-dd}")
            .ShouldBe(["2025-10-01 2025-12-31", "2025-11-01 2026-01-31", "2025-12-01 2026-02-10"]);
    }

    [Fact]
    public void Charges_that_were_waived_or_taken_back_are_cases()
    {
        var account = Account(
            new Line(
                ItemKind.ReminderFee,
                "2026-02-01",
                "2026-02-01",
                Moved(MovementKind.Opened, "2026-02-01", 500),
                Moved(MovementKind.WriteOff, "2026-02-01", -500, "2026-02-09")
            ),
            new Line(
                ItemKind.LateCharge,
                "2026-02-01",
                "2026-02-01",
                Moved(MovementKind.Opened, "2026-02-01", 900),
                Moved(MovementKind.Opened, "2026-02-01", -900, "2026-03-01")
            )
        );
        LeakCase
            .OfCharges(account, new(new(2026, 2, 1), new(2026, 2, 28)))
            .Select(c => $"{c.Item} {c.Kind} {c.Day:MM-dd} {c.Amount}")
            .ShouldBe(["0 ChargeWaived 02-09 5.00"]);
        LeakCase
            .OfCharges(account, new(new(2026, 3, 1), new(2026, 3, 1)))
            .Select(c => $"{c.Item} {c.Kind} {c.Day:MM-dd} {c.Amount}")
            .ShouldBe(["1 ChargeReversed 03-01 9.00"]);
    }
}
