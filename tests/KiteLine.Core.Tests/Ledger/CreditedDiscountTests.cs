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
                [.. set.Select(c => new InvoiceCredit(1, 1, c.ValueDate, c.Amount, c.Amount.Amount / 1.2m))]
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

    /// <summary>
    /// 800.00 in two instalments at 2 %: 8.00 each. A credit of 400.00 closes the first; 2 % of the 400.00 that are left are
    /// 8.00, all of it on the second.
    /// </summary>
    [Fact]
    public void What_a_closed_instalment_no_longer_offers_is_offered_by_the_other()
    {
        ItemDiscount Of(int instalment) =>
            ItemDiscounts
                .Of(
                    Shorthand.Read("2/10, 50% 30, rest 60"),
                    Given.Amounts(800),
                    Date,
                    instalment,
                    Given.Pounds(400),
                    true,
                    BusinessCalendar.WeekendsOnly,
                    RoundingRule.HalfAwayFromZero,
                    [new(1, 1, Given.Day("2026-03-06"), Given.Pounds(400), 400)]
                )
                .ShouldHaveSingleItem();
        Of(2).On(Given.Day("2026-03-05")).Amount.ToString().ShouldBe("8.00");
        Of(2).On(Given.Day("2026-03-06")).Amount.ToString().ShouldBe("8.00");
        Of(1).On(Given.Day("2026-03-06")).Amount.ToString().ShouldBe("0.00");
    }

    /// <summary>1,000.00 and 200.00 of tax at 3 % of the net: 30.00; a credit of 100.00 without tax leaves 27.00.</summary>
    [Fact]
    public void A_credit_without_tax_takes_all_of_it_off_a_net_base() =>
        ItemDiscounts
            .Of(
                Shorthand.Read("3/10 n/30").Under(new() { Base = DiscountBase.Net }),
                Given.Amounts(1000, 200),
                Date,
                1,
                Given.Pounds(1200),
                false,
                BusinessCalendar.WeekendsOnly,
                RoundingRule.HalfAwayFromZero,
                [new(1, 1, Given.Day("2026-03-06"), Given.Pounds(100), 100)]
            )
            .ShouldHaveSingleItem()
            .On(Given.Day("2026-03-06"))
            .Amount.ToString()
            .ShouldBe("27.00");
}
