using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Which discounts a payment could still be given: 1,000 of 1 March with 20 to the 11th. All days and sums are worked by hand.
/// </summary>
public sealed class MissedDiscountTests
{
    private static Item Item(params (string Day, decimal Cash)[] paid)
    {
        var item = Given.Invoice("INV-1", 1000, "2026-03-01", "2026-03-31", 1, [Given.Discount("2026-03-11", 20)]);
        return item with
        {
            Movements = [.. item.Movements, .. paid.Select(p => Given.Moved(MovementKind.Cash, p.Day, -p.Cash))],
        };
    }

    private static string Of(Item item, string day, decimal cash, decimal discount = 0) =>
        string.Join(
            ", ",
            MissedDiscount
                .Of(
                    new(
                        1,
                        9,
                        item.Id,
                        MovementKind.Cash,
                        Given.Day(day),
                        Given.Pounds(cash),
                        Given.Pounds(discount),
                        Given.Pounds(0),
                        Given.Day("2026-03-16")
                    ),
                    item,
                    Given.Credit(cash, day, 9) with
                    {
                        Kind = ItemKind.Receipt,
                        Movements =
                        [
                            Given.Moved(MovementKind.Opened, day, -cash),
                            Given.Moved(MovementKind.Cash, day, cash),
                        ],
                    },
                    RoundingRule.HalfAwayFromZero
                )
                .Select(m => $"{m.Step.Amount} {(m.Earned ? "earned" : "not earned")}")
        );

    [Theory]
    [InlineData("2026-03-11", "20.00 earned")]
    [InlineData("2026-03-12", "20.00 not earned")]
    public void Of_a_payment_in_full_by_its_value_date(string day, string missed) =>
        Of(Item((day, 1000)), day, 1000).ShouldBe(missed);

    [Fact]
    public void Paying_all_but_the_discount_in_time_earns_it() =>
        Of(Item(("2026-03-10", 980)), "2026-03-10", 980).ShouldBe("20.00 earned");

    [Fact]
    public void A_part_in_time_earns_nothing_though_the_rest_came_later() =>
        Of(Item(("2026-03-10", 500), ("2026-03-14", 500)), "2026-03-10", 500).ShouldBe("20.00 not earned");

    [Fact]
    public void Two_parts_in_time_earn_it_and_a_rest_that_comes_back_later_takes_it_away()
    {
        var both = Item(("2026-03-09", 500), ("2026-03-11", 500));
        // The second completed it: it is granted there.
        Of(both, "2026-03-11", 500).ShouldBe("20.00 earned");
        Of(both, "2026-03-09", 500).ShouldBe("");
        // The second was returned by the bank, with the value date of what it took back.
        var back = both with
        {
            Movements = [.. both.Movements, Given.Moved(MovementKind.Cash, "2026-03-11", 500)],
        };
        Of(back, "2026-03-09", 500).ShouldBe("20.00 not earned");
    }

    [Fact]
    public void Terms_with_part_payments_give_each_its_share() =>
        // 500 of the 1,000 that are owed, in time: 500 × 20 / 980 is 10.204….
        Of(Item(("2026-03-10", 500)) with { PartPayments = true }, "2026-03-10", 500).ShouldBe("10.20 earned");

    [Fact]
    public void One_that_was_given_is_not_given_again() =>
        Of(
                Item(("2026-03-10", 980)) is var item
                    ? item with
                    {
                        Movements = [.. item.Movements, Given.Moved(MovementKind.Discount, "2026-03-10", -20)],
                    }
                    : item,
                "2026-03-10",
                980,
                20
            )
            .ShouldBe("");

    /// <summary>990 of 1,000 took 10 of the 20; the other 10 can still be granted, and are earned.</summary>
    [Fact]
    public void The_rest_of_one_that_was_taken_in_part()
    {
        var item = Item(("2026-03-10", 990));
        item = item with { Movements = [.. item.Movements, Given.Moved(MovementKind.Discount, "2026-03-10", -10)] };
        Of(item, "2026-03-10", 990, 10).ShouldBe("10.00 earned");
        DiscountOutcome
            .Of(item, RoundingRule.HalfAwayFromZero)!
            .Value.Leaks.Select(l => $"{l.Kind} {l.Amount}")
            .ShouldBe(["NotGranted 10.00"]);
    }
}
