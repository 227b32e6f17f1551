using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class BoardTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static BookAccount Account(
        string code,
        string name,
        decimal limit,
        decimal open,
        int daysOverdue,
        AccountState state = AccountState.Open,
        string currency = "GBP"
    )
    {
        var of = Currency.Of(currency);
        var minor = Money.Exact(open, of).Minor;
        var due = Today.AddDays(-daysOverdue);
        return new()
        {
            Id = code.GetHashCode(StringComparison.Ordinal),
            Code = code,
            Name = name,
            Currency = of,
            Limits = [new(DateOnly.MinValue, Money.Exact(limit, of))],
            States = [new(DateOnly.MinValue, state)],
            Items = [new(ItemKind.Invoice, due.AddDays(-30), due, minor, 0, 1)],
            Movements = [new(due.AddDays(-30), minor)],
        };
    }

    private static readonly Board Sample = Board.Of(
        [
            Account("AAA01", "Anchor Street", 1000, 1200, 40),
            Account("BBB01", "bollard & Byrne", 1000, 850, 10, AccountState.Watch),
            Account("CCC01", "Capstan", 5000, 100, -5, AccountState.Stop),
            Account("DDD01", "Dunlin", 500000, 90000, 0, currency: "JPY"),
        ],
        Today,
        Given.Positions()
    );

    private static string Codes(BoardSort sort, bool down = false, string filter = "", string text = "") =>
        string.Join(
            ' ',
            Sample
                .Find(sort, down, filter.Split(',', StringSplitOptions.RemoveEmptyEntries), text)
                .Select(r => r.Account.Code[..1])
        );

    [Theory]
    [InlineData(BoardSort.Code, "A B C D")]
    [InlineData(BoardSort.Name, "A B C D")]
    [InlineData(BoardSort.Headroom, "A B C D")]
    [InlineData(BoardSort.Exposure, "C B A D")]
    [InlineData(BoardSort.Overdue, "C D B A")]
    [InlineData(BoardSort.Utilisation, "C D B A")]
    [InlineData(BoardSort.State, "A D B C")]
    [InlineData(BoardSort.OldestDays, "C D B A")]
    [InlineData(BoardSort.Limit, "A B C D")]
    public void Rows_stand_in_the_order_asked_for(BoardSort sort, string order)
    {
        Codes(sort).ShouldBe(order);
        Codes(sort, down: true).ShouldBe(string.Join(' ', Codes(sort).Split(' ').Reverse()));
    }

    [Theory]
    [InlineData("over-limit", "A")]
    [InlineData("above-80", "B")]
    [InlineData("overdue", "A B")]
    [InlineData("overdue-30", "A")]
    [InlineData("watch", "B")]
    [InlineData("stop", "C")]
    [InlineData("overdue,watch", "B")]
    public void Filters_combine(string filter, string codes) => Codes(BoardSort.Code, filter: filter).ShouldBe(codes);

    [Theory]
    [InlineData("BOLL", "B")]
    [InlineData("01", "A B C D")]
    [InlineData("nobody", "")]
    public void Text_is_found_in_name_and_code_whatever_its_case(string text, string codes) =>
        Codes(BoardSort.Code, text: text).ShouldBe(codes);

    [Fact]
    public void Totals_keep_currencies_apart_and_counts_match_the_filters()
    {
        Sample
            .Totals.Select(t => $"{t.Currency.Code} {t.Accounts} {t.Exposure} {t.Limit} {t.Overdue}")
            .ShouldBe(["GBP 3 215000 700000 205000", "JPY 1 90000 500000 0"]);
        foreach (var filter in BoardFilter.Names)
            Sample.Counts[filter].ShouldBe(Sample.Find(BoardSort.Code, false, [filter], "").Count);
    }

    [Fact]
    public void An_unknown_filter_is_an_error() =>
        Should.Throw<ArgumentException>(() => Codes(BoardSort.Code, filter: "rich"));

    [Fact]
    public void How_often_an_account_takes_its_discounts()
    {
        Item Paid(decimal amount, int late, bool discount) =>
            Given.Invoice("I", amount, "2025-11-01", "2025-12-01", 1, [Given.Discount("2025-11-11", 1)]) with
            {
                Movements =
                [
                    Given.Moved(MovementKind.Opened, "2025-11-01", amount),
                    new(
                        MovementKind.Cash,
                        new DateOnly(2025, 12, 1).AddDays(late),
                        Given.Pounds(discount ? 1 - amount : -amount)
                    ),
                    .. discount ? [Given.Moved(MovementKind.Discount, "2025-12-01", -1)] : Array.Empty<Movement>(),
                ],
            };
        var habit = PaymentHabit.Of(
            [Paid(100, 10, false), Paid(300, 2, true), Given.Invoice("OPEN", 500, "2025-11-01", "2025-12-01")],
            Today
        );
        habit.SettledItems.ShouldBe(2);
        habit.DiscountsTaken.ShouldBe(0.5m);
        PaymentHabit.Of([], Today).DiscountsTaken.ShouldBeNull();
    }
}
