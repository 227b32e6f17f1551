using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>How an authority measures amounts in other currencies, and whose rates it goes by.</summary>
public sealed class AuthorityTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Yen = Currency.Of("JPY");
    private static readonly Authority UpTo50 = new(50, 50, 50, 50) { Holder = "user 7" };

    private static ExchangeRate Rate(decimal rate, int daysAgo, string by) =>
        new(Yen, Today.AddDays(-daysAgo), rate, Today.AddDays(-daysAgo)) { By = by };

    private static bool Covers(Authority authority, decimal yen, params ExchangeRate[] rates) =>
        authority.Covers(authority.WriteOff, Money.Exact(yen, Yen), Given.Rules(Today, rates: rates), "amount");

    [Fact]
    public void An_amount_is_measured_in_the_base_currency()
    {
        // 10,000 at 0.005 are 50.00.
        Covers(UpTo50, 10_000, Rate(0.005m, 1, "")).ShouldBeTrue();
        Covers(UpTo50, 10_001, Rate(0.005m, 1, "")).ShouldBeFalse();
        Should.Throw<RefusedException>(() => Covers(UpTo50, 1)).Message.ShouldContain("There is no rate of JPY");
    }

    [Fact]
    public void A_rate_that_one_set_today_does_not_measure_ones_own_act()
    {
        // 50,000,000 at 0.000001 would be 50.00; at the rate of before they are 250,000.00.
        var own = Rate(0.000001m, 0, "user 7");
        Covers(UpTo50, 10_001, Rate(0.005m, 1, ""), own).ShouldBeFalse();
        // The same rate measures somebody else.
        Covers(UpTo50 with { Holder = "user 8" }, 50_000_000, Rate(0.005m, 1, ""), own).ShouldBeTrue();
        // A stricter one counts at once, and one of a day before as any other.
        Covers(UpTo50, 9_999, Rate(0.005m, 1, ""), Rate(0.01m, 0, "user 7")).ShouldBeFalse();
        Covers(UpTo50, 12_500, Rate(0.005m, 2, ""), Rate(0.004m, 1, "user 7")).ShouldBeTrue();
        // Where no other is left there is nothing to measure by.
        Should.Throw<RefusedException>(() => Covers(UpTo50, 1, own)).Message.ShouldContain("You set the only rate");
    }

    [Fact]
    public void Amounts_in_several_currencies_are_added_up()
    {
        var rules = Given.Rules(Today, rates: Rate(0.005m, 1, ""));
        Money[] amounts = [Given.Pounds(30), Money.Exact(4_000, Yen)];
        UpTo50.Covers(50, amounts, rules, "run").ShouldBeTrue();
        UpTo50.Covers(49.99m, amounts, rules, "run").ShouldBeFalse();
        UpTo50.Covers(null, amounts, rules, "run").ShouldBeTrue();
        UpTo50.Covers(0, [Money.Zero(Given.Gbp)], rules, "run").ShouldBeTrue();
    }
}
