using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Amounts in policies are of the base currency; other currencies get their own or converted ones, by hand.
/// </summary>
public class OtherCurrenciesTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Yen = Currency.Of("JPY");

    // One yen is 0.005 pounds: a pound is 200 yen.
    private static readonly BooksRules WithRate = Given.Rules(
        Today,
        rates: new ExchangeRate(Yen, Today.AddDays(-2), 0.005m)
    );

    private static AccountLedger InYen(LateChargePolicy? policy, long amount) =>
        Given.Ledger(
            policy,
            new Item
            {
                Id = 1,
                Document = "INV-1",
                Kind = ItemKind.Invoice,
                Date = Today.AddDays(-40),
                Due = Today.AddDays(-10),
                Movements = [new(MovementKind.Opened, Today.AddDays(-40), Money.FromMinor(amount, Yen))],
            }
        );

    [Fact]
    public void A_minimum_in_pounds_is_two_hundred_times_as_many_yen()
    {
        var policy = Given.Policy(10) with { Minimum = 12.50m };
        ToSettle.For(InYen(policy, 36_500), Today, WithRate).LateCharges.ToString().ShouldBe("2500");
        var given = policy with { InOtherCurrencies = [new("JPY", Minimum: 1500)] };
        ToSettle.For(InYen(given, 36_500), Today, WithRate).LateCharges.ToString().ShouldBe("1500");
    }

    [Fact]
    public void Without_a_rate_the_charge_and_the_letter_are_left_out_by_name()
    {
        var policy = Given.Policy(10) with { Minimum = 12.50m };
        AccountCharges
            .On(InYen(policy, 36_500).Items, policy, Today, Today, Given.Rules(Today))
            .LeftOut.ShouldNotBeNull()
            .ShouldContain("JPY");
        Should
            .Throw<RefusedException>(() =>
                ChargeDecision.Of(
                    InYen(policy, 36_500).Items,
                    policy,
                    null,
                    Today,
                    ChargeChanges.None,
                    Given.Rules(Today)
                )
            )
            .Problems[0]
            .Field.ShouldBe("policy");
        var plan = new ReminderPlan
        {
            Levels =
            [
                new()
                {
                    DaysAfterDue = 7,
                    Fee = new ReminderFee.PerLetter(5),
                    FeeTreatment = Treatment.Show,
                    Texts = [new("", "R")],
                },
            ],
        };
        ReminderProposal
            .For(InYen(null, 36_500) with { Plan = plan }, Today, Given.Rules(Today))
            .LeftOut.ShouldNotBeNull()
            .ShouldContain("no rate");
        // A rate that is older than the company accepts is none.
        var old = Given.Rules(Today, rates: new ExchangeRate(Yen, Today.AddDays(-30), 0.005m));
        ReminderProposal
            .For(InYen(null, 36_500) with { Plan = plan }, Today, old)
            .LeftOut.ShouldNotBeNull()
            .ShouldContain("no rate");
    }

    [Fact]
    public void A_letter_fee_and_the_least_amount_are_converted_or_given()
    {
        var level = new ReminderLevel
        {
            DaysAfterDue = 7,
            LeastOverdue = 10,
            Fee = new ReminderFee.PerLetter(12.50m),
            FeeTreatment = Treatment.Show,
            Texts = [new("", "R")],
        };
        ReminderProposal For(long open, ReminderLevel l) =>
            ReminderProposal.For(InYen(null, open) with { Plan = new() { Levels = [l] } }, Today, WithRate);
        For(36_500, level).Fee.ToString().ShouldBe("2500");
        For(1_999, level).LeftOut.ShouldNotBeNull().ShouldContain("below the minimum of 2000");
        var given = level with
        {
            InOtherCurrencies = [new("JPY", LeastOverdue: 1000, Fee: new ReminderFee.PerLetter(900))],
        };
        For(1_999, given).Fee.ToString().ShouldBe("900");
    }

    [Theory]
    [InlineData(36_400, "0")]
    [InlineData(35_900, "600")]
    public void A_small_difference_is_small_in_the_accounts_own_currency(long cash, string staysOpen)
    {
        // 0.50 of a pound is 100 yen; taken as yen it would be none.
        var allowance = new ShortPayAllowance(0.50m, 5).In(Yen, Today, WithRate.Rates);
        var item = InYen(null, 36_500).Items[0];
        Payment
            .Of(
                Money.FromMinor(cash, Yen),
                Money.Zero(Yen),
                Today,
                [new ChosenItem(item)],
                allowance,
                RoundingRule.HalfAwayFromZero
            )
            .Lines[0]
            .Settlement.StaysOpen.ToString()
            .ShouldBe(staysOpen);
        new ShortPayAllowance(5, 5, new Dictionary<string, decimal> { ["JPY"] = 700 })
            .In(Yen, Today, WithRate.Rates)
            .Amount.ShouldBe(700);
        new ShortPayAllowance(5, 5).In(Yen, Today, Given.Rules(Today).Rates).ShouldBe(ShortPayAllowance.None);
    }

    /// <summary>
    /// 100.25 at 2 % is 2.005: half to even gives 2.00, away from zero 2.01; the item, its share and the try-out agree.
    /// </summary>
    [Theory]
    [InlineData(RoundingRule.HalfToEven, "2.00")]
    [InlineData(RoundingRule.HalfAwayFromZero, "2.01")]
    public void A_discount_is_rounded_by_the_companys_rule_wherever_it_is_worked_out(
        RoundingRule rounding,
        string amount
    )
    {
        var (terms, amounts, date) = (Shorthand.Read("2/10 n/30"), Given.Amounts(100.25m), Given.Day("2026-03-16"));
        PaymentSchedule
            .For(terms, amounts, date, BusinessCalendar.WeekendsOnly, rounding)
            .Discounts[0]
            .Amount.ToString()
            .ShouldBe(amount);
        ItemDiscounts
            .Of(terms, amounts, date, 1, amounts.Gross, false, BusinessCalendar.WeekendsOnly, rounding)[0]
            .Amount.ToString()
            .ShouldBe(amount);
    }

    /// <summary>0.01 in two halves is 0.01 and nothing; what is fixed and takes all leaves no rest.</summary>
    [Theory]
    [InlineData("50% 10, rest 20", 0.01, "1 0.01")]
    [InlineData("500.00 now, rest 20", 500, "1 500.00")]
    [InlineData("500.00 now, rest 20", 500.01, "1 500.00|2 0.01")]
    public void An_instalment_of_nothing_makes_no_item(string terms, decimal net, string items)
    {
        var posting = InvoicePosting.Invoice(
            "INV-1",
            Given.Day("2026-03-16"),
            Given.Amounts(net),
            Shorthand.Read(terms),
            Given.Rules(Given.Day("2026-03-16"))
        );
        string.Join('|', posting.Documents[0].Items.Select(i => $"{i.Instalment} {i.Movements[0].Amount}"))
            .ShouldBe(items);
    }
}
