using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>
/// Expected credit losses. Source: IFRS 9 Financial Instruments, Illustrative Example 12 (provision matrix), from memory.
/// </summary>
public class ProvisionTests
{
    private static readonly ProvisionMatrix Matrix = new(
        new(2026, 1, 1),
        [30, 60, 90],
        [0.3m, 1.6m, 3.6m, 6.6m, 10.6m]
    );

    private static readonly ExchangeRates Rates = new(Gbp, [], 7, RoundingRule.HalfAwayFromZero);

    // One invoice of each amount, overdue by so many days on the day.
    private static BookAccount Book(DateOnly day, params (long Amount, int Overdue)[] items) =>
        new()
        {
            Id = 1,
            Code = "A",
            Name = "A",
            Currency = Gbp,
            Items =
            [
                .. items.Select(
                    (x, i) => new BookItem(ItemKind.Invoice, day.AddDays(-200), day.AddDays(-x.Overdue), x.Amount, i, 1)
                ),
            ],
            ItemIds = [.. items.Select((_, i) => (long)i)],
            Movements = [.. items.Select(x => new BookMovement(day.AddDays(-200), x.Amount))],
        };

    [Fact]
    public void The_illustrative_example_of_the_standard()
    {
        var day = new DateOnly(2026, 3, 16);
        var book = Book(
            day,
            (1_500_000_000, 0),
            (750_000_000, 15),
            (400_000_000, 60),
            (250_000_000, 61),
            (100_000_000, 91)
        );
        var p = Provision.Of([book], day, Matrix, Rates, RoundingRule.HalfAwayFromZero);
        p.Lines.Select(l => $"{l.Bucket} {l.Gross} {l.Loss}")
            .ShouldBe([
                "notDue 15000000.00 45000.00",
                "1-30 7500000.00 120000.00",
                "31-60 4000000.00 144000.00",
                "61-90 2500000.00 165000.00",
                "over90 1000000.00 106000.00",
            ]);
        $"{p.Gross} {p.Loss}".ShouldBe("30000000.00 580000.00");
    }

    [Fact]
    public void Of_an_age_in_which_credits_exceed_debits_nothing_is_lost()
    {
        var day = new DateOnly(2026, 3, 16);
        var p = Provision.Of(
            [Book(day, (10_000, 0), (-30_000, 10), (333, 100))],
            day,
            Matrix,
            Rates,
            RoundingRule.HalfAwayFromZero
        );
        // 100.00 at 0.3 % and 3.33 at 10.6 %, each rounded once.
        p.Lines.Select(l => $"{l.Loss}").ShouldBe(["0.30", "0.00", "0.00", "0.00", "0.35"]);
        p.Gross.ToString().ShouldBe("-196.67");
    }

    [Fact]
    public void The_latest_that_has_begun_holds_and_of_one_day_the_last_that_was_made()
    {
        ProvisionMatrix From(string day, decimal rate) => new(Day(day), [30], [rate, rate, rate]);
        ProvisionMatrix[] all =
        [
            From("2026-01-01", 1),
            From("2025-01-01", 2),
            From("2026-01-01", 3),
            From("2026-07-01", 4),
        ];
        ProvisionMatrix.On(all, Day("2024-12-31")).ShouldBeNull();
        ProvisionMatrix.On(all, Day("2025-12-31"))!.Rates[0].ShouldBe(2);
        ProvisionMatrix.On(all, Day("2026-01-01"))!.Rates[0].ShouldBe(3);
        ProvisionMatrix.On(all, Day("2027-01-01"))!.Rates[0].ShouldBe(4);
    }

    [Theory]
    [InlineData("30,60,90", "1,1,1,1", "rates")]
    [InlineData("30,30", "1,1,1,1", "upTo")]
    [InlineData("", "1,1", "upTo")]
    [InlineData("0", "1,1,1", "upTo")]
    [InlineData("30", "1,101,1", "rates[1]")]
    [InlineData("30", "1,1,-1", "rates[2]")]
    [InlineData("30", "0.12345,1,1", "rates[0]")]
    public void What_cannot_be_used_names_its_field(string upTo, string rates, string field)
    {
        static T[] Of<T>(string list, Func<string, T> read) =>
            [.. list.Split(',', StringSplitOptions.RemoveEmptyEntries).Select(read)];
        new ProvisionMatrix(
            new(2026, 1, 1),
            Of(upTo, x => int.Parse(x, System.Globalization.CultureInfo.InvariantCulture)),
            Of(rates, x => decimal.Parse(x, System.Globalization.CultureInfo.InvariantCulture))
        )
            .Problems()
            .Select(p => p.Field)
            .ShouldBe([field]);
    }
}
