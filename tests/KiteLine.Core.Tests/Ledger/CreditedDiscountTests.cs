using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>A credit note of an invoice inside its window reduces what the discount is taken of.</summary>
public sealed class CreditedDiscountTests
{
    private static readonly DateOnly Date = Given.Day("2026-03-02");

    private static Item Invoice(TermsConditions conditions, params (string Day, decimal Amount)[] credits)
    {
        (DateOnly ValueDate, Money Amount)[] set = [.. credits.Select(c => (Given.Day(c.Day), Given.Pounds(c.Amount)))];
        return new()
        {
            Id = 1,
            Document = "INV-1",
            Kind = ItemKind.Invoice,
            Date = Date,
            Due = Given.Day("2026-04-01"),
            Movements =
            [
                new(MovementKind.Opened, Date, Given.Pounds(1200)),
                .. set.Select(c => new Movement(MovementKind.SetOff, c.ValueDate, -c.Amount)),
            ],
            Discounts = ItemDiscounts.Of(
                Shorthand.Read("2/10 n/30").Under(conditions),
                Given.Amounts(1000, 200),
                Date,
                1,
                Given.Pounds(1200),
                false,
                BusinessCalendar.WeekendsOnly,
                RoundingRule.HalfAwayFromZero,
                set
            ),
            Credits = set,
            PartPayments = conditions.PartPayments,
        };
    }

    private static string On(Item item, string day) =>
        $"{item.DiscountOn(Given.Day(day), RoundingRule.HalfAwayFromZero)?.Amount}";

    [Fact]
    public void From_its_value_date_on()
    {
        // By hand: 2 % of 1200 is 24; after a credit of 300, 2 % of 900 is 18.
        var item = Invoice(new(), ("2026-03-06", 300));
        On(item, "2026-03-05").ShouldBe("24.00");
        On(item, "2026-03-06").ShouldBe("18.00");
        On(item, "2026-03-12").ShouldBe("18.00");
        On(item, "2026-03-13").ShouldBe("");
    }

    [Fact]
    public void Each_further_one_reduces_it_further_whatever_order_they_came_in()
    {
        var item = Invoice(new(), ("2026-03-09", 300), ("2026-03-05", 100));
        On(item, "2026-03-05").ShouldBe("22.00");
        On(item, "2026-03-08").ShouldBe("22.00");
        On(item, "2026-03-09").ShouldBe("16.00");
    }

    [Fact]
    public void Where_the_base_is_net_by_the_net_part_of_it() =>
        // 300 with tax is 250 without: 2 % of 750 is 15.
        On(Invoice(new() { Base = DiscountBase.Net }, ("2026-03-06", 300)), "2026-03-06").ShouldBe("15.00");

    [Fact]
    public void Not_after_the_window_and_not_where_the_terms_say_otherwise()
    {
        var late = Invoice(new() { GraceDays = 1 }, ("2026-03-14", 300));
        late.Discounts.ShouldHaveSingleItem().Reduced.ShouldBeEmpty();
        On(Invoice(new() { CreditNotesFollow = false }, ("2026-03-06", 300)), "2026-03-06").ShouldBe("24.00");
    }

    [Fact]
    public void Where_part_payments_earn_their_share_a_credit_is_no_payment()
    {
        var item = Invoice(new() { PartPayments = true }, ("2026-03-06", 300));
        On(item, "2026-03-06").ShouldBe("18.00");
        // Half of the 900 that are left is paid: half of the 18 is left.
        var half = item with
        {
            Movements = [.. item.Movements, new(MovementKind.Cash, Given.Day("2026-03-07"), Given.Pounds(-450))],
        };
        On(half, "2026-03-07").ShouldBe("9.00");
    }
}
