using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class OneOffDiscountTests
{
    [Theory]
    [InlineData("2/10 n/30", "5", "", 7)]
    [InlineData("3/7, 1/14 n/45", "", "40", 3)]
    [InlineData("n/30 EOM", "1.5", "", 0)]
    public void It_takes_the_place_of_all_discounts_and_leaves_the_due_dates(
        string terms,
        string percent,
        string amount,
        int days
    )
    {
        DiscountValue value =
            percent.Length > 0
                ? new DiscountValue.Percent(Reference.Number(percent))
                : new DiscountValue.Amount(Reference.Number(amount));
        var before = Shorthand.Read(terms).Under(new() { Base = DiscountBase.Net, GraceDays = 2 });
        var after = new OneOffDiscount(value, days).On(before);
        after.Discounts.ShouldBe([new DiscountStep(value, DueRule.AfterInvoice(days))]);
        after.Instalments.ShouldBe(before.Instalments);
        after.Conditions.ShouldBe(before.Conditions);
        // What is stored of it reads back to the same.
        Shorthand.Read(after.ToString()).Discounts.ShouldBe(after.Discounts);
    }

    [Fact]
    public void A_discount_of_everything_is_refused_by_its_field() =>
        Should
            .Throw<RefusedException>(() =>
                new OneOffDiscount(new DiscountValue.Percent(100), 7).On(Shorthand.Read("n/30"))
            )
            .Problems.ShouldHaveSingleItem()
            .Field.ShouldBe("discount");
}
