using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class PaymentScheduleTests
{
    [Fact]
    public void Two_ten_net_thirty_on_an_invoice_with_tax()
    {
        var schedule = Given.Schedule(
            Shorthand.Read("2/10 n/30"),
            Given.Amounts(1000, 200),
            Given.Day("2026-01-31"),
            workings: true
        );
        schedule.Instalments.ShouldHaveSingleItem().ShouldBe(new(Given.Day("2026-03-02"), Given.Pounds(1200)));
        var discount = schedule.Discounts.ShouldHaveSingleItem();
        discount.Deadline.ShouldBe(Given.Day("2026-02-10"));
        discount.Amount.ToString().ShouldBe("24.00");
        discount.Payable.ToString().ShouldBe("1176.00");
        schedule.Workings.ShouldContain(w =>
            w.Label == "Discount: amount" && w.Formula.Contains("1200.00 × 2 %") && w.Value == "24.00"
        );
    }

    /// <summary>
    /// Source: textbooks of corporate finance and accounting on trade credit (several agree); values from memory.
    /// </summary>
    [Theory]
    [InlineData("2/10 n/30", "0.3724", "0.4459")]
    [InlineData("1/10 n/30", "0.1843", null)]
    [InlineData("3/10 n/30", "0.5644", null)]
    [InlineData("2/10 n/60", "0.1490", null)]
    public void The_cost_of_not_taking_a_discount_is_the_textbooks(string terms, string simple, string? effective)
    {
        var discount = Given
            .Schedule(Shorthand.Read(terms), Given.Amounts(1000), Given.Day("2026-01-01"))
            .Discounts.ShouldHaveSingleItem();
        discount.SimpleAnnualCost!.Value.ShouldBe(Reference.Number(simple), 0.00005m);
        if (effective is not null)
            discount.EffectiveAnnualCost!.Value.ShouldBe(Reference.Number(effective), 0.00005m);
    }

    /// <summary>
    /// Source: the spreadsheet function EFFECT of <c>@formulajs/formulajs</c>, where 365 / days is whole.
    /// </summary>
    [Fact]
    public void The_effective_cost_is_that_of_the_spreadsheet_function()
    {
        var rows = Reference.Rows("spreadsheet.csv").Where(r => r[0] == "effective").ToArray();
        rows.Length.ShouldBe(21);
        foreach (var row in rows)
        {
            var expected = Reference.Number(row[3]);
            var cost = DiscountCost.Effective(Reference.Number(row[1]) / 100, (int)Reference.Number(row[2]));
            (cost!.Value / expected).ShouldBe(1m, 1e-8m, string.Join(' ', row));
        }
    }

    [Fact]
    public void An_easy_slip_is_impossible_one_percent_of_500_is_5() =>
        Given
            .Schedule(Shorthand.Read("1/7 n/30"), Given.Amounts(500), Given.Day("2026-03-16"))
            .Discounts[0]
            .Amount.ToString()
            .ShouldBe("5.00");

    [Fact]
    public void Instalments_add_up_to_the_invoice_and_discounts_never_exceed_it() =>
        Gen.Select(ShorthandTests.GenTerms, Gen.Int[1, 5_000_000], Gen.Int[0, 1_000_000], Given.AnyDay)
            .Sample(
                (terms, net, tax, day) =>
                {
                    var amounts = new InvoiceAmounts(
                        Money.FromMinor(net, Given.Gbp),
                        Money.FromMinor(tax, Given.Gbp),
                        Money.Zero(Given.Gbp)
                    );
                    PaymentSchedule schedule;
                    try
                    {
                        schedule = Given.Schedule(terms, amounts, day);
                    }
                    catch (TermsException)
                    {
                        // Shares of a tiny invoice can each round up past the whole; then there is no schedule at all.
                        (net + tax).ShouldBeLessThan(10);
                        return;
                    }

                    schedule.Instalments.Sum(i => i.Amount.Minor).ShouldBe(net + tax);
                    schedule.Discounts.ShouldAllBe(d => d.Payable.Minor >= 0 && d.Amount + d.Payable == amounts.Gross);
                }
            );

    [Fact]
    public void Forty_percent_now_and_the_rest_after_twenty_days()
    {
        var schedule = Given.Schedule(
            Shorthand.Read("40% now, rest 20"),
            Given.Amounts(333.33m),
            Given.Day("2026-03-16")
        );
        schedule
            .Instalments.Select(i => $"{i.Due:yyyy-MM-dd} {i.Amount}")
            .ShouldBe(["2026-03-16 133.33", "2026-04-05 200.00"]);
    }

    [Fact]
    public void Fixed_instalments_beyond_the_invoice_are_refused() =>
        Should
            .Throw<TermsException>(() =>
                Given.Schedule(Shorthand.Read("500.00 now, rest 30"), Given.Amounts(400), Given.Day("2026-03-16"))
            )
            .Message.ShouldContain("400.00");

    [Fact]
    public void Net_base_and_freight_are_left_out_of_the_discount()
    {
        var terms = Shorthand.Read("2/10 n/30").Under(new() { Base = DiscountBase.Net });
        var schedule = Given.Schedule(terms, Given.Amounts(1000, 200, 50), Given.Day("2026-03-16"));
        schedule.Discounts[0].Amount.ToString().ShouldBe("19.00");
        schedule.Discounts[0].Payable.ToString().ShouldBe("1181.00");
    }

    [Fact]
    public void A_due_date_and_a_deadline_on_a_weekend_move_by_the_rule()
    {
        var amounts = Given.Amounts(100);
        PaymentSchedule On(BusinessDayRule rule) =>
            Given.Schedule(
                Shorthand.Read("2/5 n/12").Under(new() { BusinessDays = rule }),
                amounts,
                Given.Day("2026-03-16"),
                workings: true
            );
        On(BusinessDayRule.Keep).Instalments[0].Due.ShouldBe(Given.Day("2026-03-28"));
        On(BusinessDayRule.Next).Instalments[0].Due.ShouldBe(Given.Day("2026-03-30"));
        On(BusinessDayRule.Previous).Instalments[0].Due.ShouldBe(Given.Day("2026-03-27"));
        On(BusinessDayRule.Previous).Discounts[0].Deadline.ShouldBe(Given.Day("2026-03-20"));
        On(BusinessDayRule.Next).Workings.ShouldContain(w => w.Formula.Contains("not a business day"));
    }

    [Fact]
    public void Costs_are_left_out_where_the_window_outlasts_the_time_to_pay()
    {
        var discount = Given
            .Schedule(Shorthand.Read("2/40 n/30"), Given.Amounts(100), Given.Day("2026-03-16"))
            .Discounts[0];
        discount.SimpleAnnualCost.ShouldBeNull();
        discount.EffectiveAnnualCost.ShouldBeNull();
    }

    [Theory]
    [InlineData("2/40 n/30", true)]
    [InlineData("2/30 n/30", false)]
    [InlineData("2/10 EOM n/60", false)]
    [InlineData("2/10 EOM n/5", true)]
    [InlineData("2/10 n/5 EOM", false)]
    [InlineData("2/20 prox, 15 prox", true)]
    [InlineData("2/10 40% now, rest 20", false)]
    public void A_discount_that_always_ends_after_the_due_date_is_named(string text, bool objected) =>
        (TermsCheck.Objection(Shorthand.Read(text)) is not null).ShouldBe(objected);

    [Fact]
    public void An_instalment_item_gets_its_share_of_the_discount()
    {
        var (terms, amounts, date) = (
            Shorthand.Read("2/10, 40% now, rest 20"),
            Given.Amounts(1000, 1),
            Given.Day("2026-03-16")
        );
        var first = ItemDiscounts.Of(
            terms,
            amounts,
            date,
            1,
            Given.Pounds(400.40m),
            true,
            BusinessCalendar.WeekendsOnly,
            RoundingRule.HalfAwayFromZero
        );
        var second = ItemDiscounts.Of(
            terms,
            amounts,
            date,
            2,
            Given.Pounds(600.60m),
            true,
            BusinessCalendar.WeekendsOnly,
            RoundingRule.HalfAwayFromZero
        );
        (first[0].Amount + second[0].Amount).ToString().ShouldBe("20.02");
        first[0].Amount.ToString().ShouldBe("8.01");
    }

    [Fact]
    public void What_was_open_when_a_book_came_in_lies_on_the_last_instalments()
    {
        var schedule = Given.Schedule(
            Shorthand.Read("30% now, 30% 30, rest 60"),
            Given.Amounts(1000),
            Given.Day("2026-03-16")
        );
        OpenInstalments
            .Of(schedule, Given.Pounds(550))
            .Select(i => $"{i.Instalment} {i.Due:MM-dd} {i.Open}")
            .ShouldBe(["2 04-15 150.00", "3 05-15 400.00"]);
        OpenInstalments.Of(schedule, Given.Pounds(1000)).Count().ShouldBe(3);
        OpenInstalments.Of(schedule, Given.Pounds(10)).ShouldHaveSingleItem().Instalment.ShouldBe(3);
    }
}
