using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>Ageings by figures worked out by hand.</summary>
public class AgeingTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    // Each item by its date, due date and movements: value date, the day it was posted, minor units.
    private static BookAccount Account(
        string code,
        string owner,
        string currency,
        params (string Date, string Due, (string Value, string Posted, long Minor)[] Movements)[] items
    )
    {
        var (list, movements) = (new List<BookItem>(), new List<BookMovement>());
        foreach (var (date, due, moved) in items)
        {
            list.Add(
                new(ItemKind.Invoice, Day(date), Day(due), moved.Sum(m => m.Minor), movements.Count, moved.Length)
            );
            movements.AddRange(moved.Select(m => new BookMovement(Day(m.Value), m.Minor, Day(m.Posted))));
        }

        return new()
        {
            Id = code[0],
            Code = code,
            Name = code.ToLowerInvariant(),
            Currency = Currency.Of(currency),
            Owner = owner,
            Items = [.. list],
            ItemIds = [.. list.Select((_, i) => (long)((code[0] * 100) + i))],
            Movements = [.. movements],
        };
    }

    private static readonly BookAccount[] Book =
    [
        // 46 days past due, half of it paid on 1 March by value, which was posted on 5 March.
        Account(
            "A",
            "Ann",
            "GBP",
            ("2026-01-01", "2026-01-29", [("2026-01-01", "2026-01-01", 100_00), ("2026-03-01", "2026-03-05", -50_00)])
        ),
        // Due today; and a debit and a credit of different ages that are equal.
        Account("B", "ann", "GBP", ("2026-02-14", "2026-03-16", [("2026-02-14", "2026-02-14", 30_00)])),
        Account(
            "C",
            "",
            "EUR",
            ("2026-01-01", "2026-02-28", [("2026-01-01", "2026-01-01", 20_00)]),
            ("2026-03-10", "2026-03-10", [("2026-03-10", "2026-03-10", -20_00)])
        ),
        Account("D", "Bob", "GBP", ("2025-10-01", "2025-10-31", [("2025-10-01", "2025-10-01", 7)])),
    ];

    private static IEnumerable<string> Told(
        DateOnly day,
        AgeingKind by = AgeingKind.Owner,
        AgeingBasis basis = AgeingBasis.Due
    ) =>
        Ageing
            .Of(Book, day, AgeingBuckets.Default.By(basis), new(by))
            .Select(l => $"{l.Key} {l.Currency.Code} {l.Accounts}: {string.Join(' ', l.Ageing)} = {l.Amount}");

    [Fact]
    public void Accounts_with_one_owner_stand_on_a_line_for_each_currency_whatever_the_case() =>
        Told(Today)
            .ShouldBe(
                [" EUR 1: 0 0 0 0 0 = 0", "Ann GBP 2: 3000 0 5000 0 0 = 8000", "Bob GBP 1: 0 0 0 0 7 = 7"],
                // The credit of 10 March is 6 days old, as the debit due on 28 February is 16.
                ignoreOrder: false
            );

    [Fact]
    public void By_invoice_date_an_item_is_as_old_as_its_invoice() =>
        Told(Today, basis: AgeingBasis.Invoice)
            .ShouldBe([
                " EUR 1: 0 -2000 0 2000 0 = 0",
                "Ann GBP 2: 0 3000 0 5000 0 = 8000",
                "Bob GBP 1: 0 0 0 0 7 = 7",
            ]);

    [Fact]
    public void A_day_is_as_the_books_showed_it_and_a_back_dated_receipt_leaves_it_so()
    {
        // On 4 March nobody knew of the receipt; 34 days past due.
        Told(new(2026, 3, 4), AgeingKind.Account)
            .ShouldBe([
                "A GBP 1: 0 0 10000 0 0 = 10000",
                "B GBP 1: 3000 0 0 0 0 = 3000",
                "C EUR 1: 0 2000 0 0 0 = 2000",
                "D GBP 1: 0 0 0 0 7 = 7",
            ]);
        Told(new(2026, 3, 5), AgeingKind.Account).First().ShouldBe("A GBP 1: 0 0 5000 0 0 = 5000");
    }

    [Fact]
    public void Two_days_side_by_side_keep_what_stands_on_one_alone()
    {
        IReadOnlyList<AgeingLine> On(string day) =>
            Ageing.Of(Book, Day(day), AgeingBuckets.Default, new(AgeingKind.Account));
        var all = AgeingChange.Of(On("2026-02-01"), On("2026-03-16"));
        all.Select(c => $"{c.Now.Key} {c.Now.Amount} {c.Before.Amount} {c.Amount}")
            .ShouldBe(["A 10000 5000 5000", "C 2000 0 2000", "D 7 7 0", "B 0 3000 -3000"]);
    }

    [Fact]
    public void A_figure_parts_into_its_items()
    {
        string Told(int? bucket, int skip, int take)
        {
            var (total, page) = AgeingItem.Of(Book, Today, AgeingBuckets.Default, bucket, skip, take);
            return $"{total}: " + string.Join(", ", page.Select(i => $"{i.Account.Code} {i.Open} {i.Days}"));
        }

        Told(null, 0, 3).ShouldBe("5: A 5000 46, B 3000 0, C 2000 16");
        Told(null, 3, 3).ShouldBe("5: C -2000 6, D 7 136");
        Told(4, 0, 9).ShouldBe("1: D 7 136");
        Told(null, int.MaxValue, 1).ShouldBe("5: ");
    }

    [Fact]
    public void The_band_converts_at_the_rate_of_each_day_and_names_what_has_none()
    {
        var rates = new ExchangeRates(
            Gbp,
            [new(Currency.Of("EUR"), new(2026, 3, 1), 0.85m, new(2026, 3, 1))],
            31,
            RoundingRule.HalfAwayFromZero
        );
        AgeingCourse.Days(Today, 2).ShouldBe([new(2026, 1, 31), new(2026, 2, 28), new(2026, 3, 16)]);
        var (points, without) = AgeingCourse.Of(
            [new(2026, 2, 28), new(2026, 3, 9)],
            day => Ageing.Of(Book, day, AgeingBuckets.Default, new(AgeingKind.Currency)),
            5,
            rates
        );
        // On 28 February 20.00 euro are left out; on 9 March they are 17.00, 9 days past due.
        points.Select(p => string.Join(' ', p.Ageing)).ShouldBe(["3000 10000 0 0 7", "3000 1700 5000 0 7"]);
        without.ShouldBe([Currency.Of("EUR")]);
    }
}
