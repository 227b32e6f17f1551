using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>How far a rate may move without a manager.</summary>
public sealed class RateMovesTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Euro = Currency.Of("EUR");

    private static ExchangeRate Rate(decimal rate, int daysAgo, string by = "", int recorded = -1) =>
        new(Euro, Today.AddDays(-daysAgo), rate, Today.AddDays(recorded < 0 ? -daysAgo : -recorded)) { By = by };

    private static void Take(decimal rate, int daysAgo, Role role, params ExchangeRate[] known)
    {
        var wanted = Rate(rate, daysAgo, "user 7", 0);
        RateMoves.RefuseUnlessNear(
            wanted,
            new ExchangeRates(Given.Gbp, known, 7, RoundingRule.HalfAwayFromZero).Former(wanted, Today),
            "rates[0]",
            role
        );
    }

    private static string Refused(Action act) => Should.Throw<RefusedException>(act).Message;

    [Theory]
    [InlineData(0.88, true)]
    [InlineData(0.72, true)]
    [InlineData(0.8801, false)]
    [InlineData(0.7199, false)]
    public void Beyond_a_tenth_of_the_former_one_a_manager_sets_it(double rate, bool alone)
    {
        var known = Rate(0.8m, 3);
        if (alone)
            Take((decimal)rate, 0, Role.Controller, known);
        else
            Refused(() => Take((decimal)rate, 0, Role.Controller, known))
                .ShouldContain("is more than 10 % away from 0.8 of 13 Mar 2026");
        Take((decimal)rate, 0, Role.Manager, known);
    }

    [Fact]
    public void Small_steps_of_ones_own_add_up_and_the_first_of_a_currency_is_a_managers()
    {
        // 0.8 by 0.74 to 0.68: each is less than a tenth, both together are more.
        ExchangeRate[] known = [Rate(0.8m, 9), Rate(0.74m, 2, "user 7")];
        Refused(() => Take(0.68m, 0, Role.Controller, known)).ShouldContain("0.8 of 7 Mar 2026");
        // What somebody else took down, and what is older than a month, is as good as any.
        Take(0.68m, 0, Role.Controller, Rate(0.8m, 9), Rate(0.74m, 2, "user 8"));
        Take(0.68m, 0, Role.Controller, Rate(0.8m, 50), Rate(0.74m, 40, "user 7"));
        // A day before all others is measured by the first of them.
        Take(0.75m, 20, Role.Controller, Rate(0.8m, 9));
        Refused(() => Take(0.7m, 20, Role.Controller, Rate(0.8m, 9))).ShouldContain("away from 0.8");
        Refused(() => Take(0.8m, 0, Role.Controller)).ShouldBe("A manager sets the first rate of EUR; ask one.");
        Take(0.8m, 0, Role.Manager);
    }
}
