using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class AccountChargesTests
{
    private static readonly DateOnly Through = new(2026, 3, 16);

    private static Item Late(decimal amount, string due, long id) =>
        Given.Invoice($"INV-{id}", amount, "2025-11-01", due, id);

    [Fact]
    public void Bands_on_the_account_are_shared_over_its_items_by_amount()
    {
        // 8,000 overdue: 5,000 at 12 %, 3,000 at 10 %; the first item is a quarter of it.
        var policy = Given.Policy() with
        {
            Bands = [new(5000, 10)],
            BandsOn = BandsOn.Account,
        };
        var charges = Given.Charges([Late(2000, "2026-03-06", 1), Late(6000, "2026-03-06", 2)], policy, Through);
        charges[0].Segments.Select(s => (s.Balance, s.AnnualRate)).ShouldBe([(1250m, 12m), (750m, 10m)]);
        charges.Sum(c => c.Segments.Sum(s => s.Amount)).ShouldBe(((5000 * 12m) + (3000 * 10m)) * 10 / 36_500, 1e-20m);
    }

    [Fact]
    public void Bands_on_the_account_see_only_what_is_overdue_on_each_day()
    {
        var policy = Given.Policy() with { Bands = [new(5000, 10)], BandsOn = BandsOn.Account };
        var charges = Given.Charges([Late(4000, "2026-03-06", 1), Late(4000, "2026-03-11", 2)], policy, Through);
        charges[0]
            .Segments.Select(s => $"{s.From:dd}-{s.To:dd} {Exactly.Plain(s.Balance)} {s.AnnualRate}")
            .ShouldBe(["07-11 4000 12", "12-16 2500 12", "12-16 1500 10"]);
    }

    /// <summary>
    /// With one item there is nothing to share, so both ways of measuring bands agree, whatever moved.
    /// </summary>
    [Fact]
    public void With_one_item_bands_on_the_account_are_bands_on_the_item() =>
        Gen.Select(Gen.Int[1, 900_000], Gen.Int[0, 60], Gen.Int[1, 90], Gen.Int[0, 500_000])
            .Sample(
                (minor, wait, paidAfter, paid) =>
                {
                    var item = Late(minor / 100m, "2026-01-05", 1);
                    item = item with
                    {
                        Movements =
                        [
                            .. item.Movements,
                            new(
                                MovementKind.Cash,
                                new DateOnly(2025, 12, 20).AddDays(paidAfter),
                                Given.Pounds(-Math.Min(paid, minor) / 100m)
                            ),
                        ],
                    };
                    var policy = Given.Policy(12, wait) with { Bands = [new(1000, 9), new(4000, 7)] };
                    var byItem = Given.Charge(item, policy, Through).Segments.Sum(s => s.Amount);
                    var byAccount = Given
                        .Charge(item, policy with { BandsOn = BandsOn.Account }, Through)
                        .Segments.Sum(s => s.Amount);
                    return Math.Abs(byItem - byAccount) < 1e-18m;
                }
            );

    [Fact]
    public void What_a_run_may_charge_goes_to_the_items_due_first()
    {
        var policy = Given.Policy() with { MaximumPerRun = 20 };
        var charges = Given.Charges([Late(1000, "2026-02-14", 1), Late(1000, "2026-01-15", 2)], policy, Through);
        charges.Select(c => c.Total.ToString()).ShouldBe(["0.27", "19.73"]);
    }

    [Fact]
    public void Over_its_life_an_item_bears_no_more_than_the_policy_says()
    {
        var policy = Given.Policy() with { MaximumOverLife = 25 };
        // 17 days at 1,000 × 12 % / 365 are 5.59, 60 days 19.73: under 25 both; 90 days would be 29.59.
        var item = Late(1000, "2026-01-15", 1) with
        {
            Raised = [new(5, new(2026, 2, 1), new(2026, 2, 1), Given.Pounds(5.59m), policy)],
        };
        Given.Charge(item, policy, Through).Interest.ToString().ShouldBe("14.14");
        var held = Given.Charge(item, policy, new(2026, 4, 15));
        (held.Interest.ToString(), held.CutOff).ShouldBe(("19.41", true));
        var full = item with
        {
            Raised = [.. item.Raised, new(6, new(2026, 4, 15), new(2026, 4, 15), Given.Pounds(19.41m), policy)],
        };
        Given.Charge(full, policy, new(2026, 5, 15)).Interest.IsZero.ShouldBeTrue();
    }

    [Fact]
    public void Charges_bear_charges_and_small_items_are_free_only_where_the_policy_says_so()
    {
        var earlier = Late(1000, "2026-01-15", 1) with { Kind = ItemKind.LateCharge };
        Given.Charges([earlier], Given.Policy(), Through).ShouldBeEmpty();
        Given
            .Charges([earlier], Given.Policy() with { OnCharges = true }, Through)
            .ShouldHaveSingleItem()
            .Total.IsZero.ShouldBeFalse();
        Given
            .Charges(
                [Late(24.99m, "2026-01-15", 1), Late(25, "2026-01-15", 2)],
                Given.Policy() with
                {
                    ExemptBelow = 25,
                },
                Through
            )
            .ShouldHaveSingleItem()
            .Item.Id.ShouldBe(2);
    }

    [Fact]
    public void A_rate_above_the_legal_ceiling_is_refused_with_its_source_named()
    {
        var ceiling = new RateCeiling(10, "the Sample Act, section 3");
        (string Field, string Message)[] Wrong(LateChargePolicy policy) =>
            [.. (policy with { Ceiling = ceiling }).Problems()];
        Wrong(Given.Policy(10)).ShouldBeEmpty();
        var (field, message) = Wrong(Given.Policy(10.5m)).ShouldHaveSingleItem();
        (field, message).ShouldBe(
            ("rates[0].annualRate", "10.5 % a year is above the 10 % that the Sample Act, section 3 allows.")
        );
        Wrong(Given.Policy(9) with { Bands = [new(100, 11)] })
            .ShouldHaveSingleItem()
            .Field.ShouldBe("bands[0].annualRate");
        Wrong(Given.Policy() with { Method = ChargeMethod.Monthly, Rates = [], Monthly = new(1, MonthsCounted.Full) })
            .ShouldHaveSingleItem()
            .Message.ShouldContain("12 % a year");
        var reference = new ReferenceRate { Rates = [new(new(2025, 1, 1), 3), new(new(2026, 1, 1), 1)] };
        Wrong(Given.Policy() with { Rates = [], Reference = new("BASE", 8, true, true), ReferenceRates = reference })
            .ShouldHaveSingleItem()
            .Field.ShouldBe("reference.margin");
    }
}
