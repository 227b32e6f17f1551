using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class GroupForecastTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Euro = Currency.Of("EUR");
    private static readonly ExchangeRates Rates = new(
        Given.Gbp,
        [new(Euro, Today, 0.8m)],
        7,
        RoundingRule.HalfAwayFromZero
    );

    private static BookAccount Member(string code, long open, int dueIn, long held = 0, Currency? currency = null) =>
        new()
        {
            Id = 1,
            Code = code,
            Name = $"Member {code}",
            Currency = currency ?? Given.Gbp,
            Group = "Windlass",
            Items = [new(ItemKind.Invoice, Today.AddDays(-5), Today.AddDays(dueIn), open, 0, 1)],
            Movements = [new(Today.AddDays(-5), open)],
            Orders = held == 0 ? [] : [new(1, "SO-1", Today, [new(Today, held, 0, 0)], [new(Today.AddDays(7), held)])],
        };

    private static GroupPosition Group(decimal? limit, IReadOnlyList<Uplift> uplifts, params BookAccount[] members) =>
        GroupPosition.On(
            new(
                1,
                "Windlass",
                Given.Gbp,
                "",
                limit is { } l ? [new(Today.AddYears(-1), Given.Pounds(l))] : [],
                uplifts
            ),
            Today,
            members.Select(m => AccountPosition.On(m, Today, Given.Positions())),
            Rates
        );

    private static GroupForecast Of(GroupPosition group) => GroupForecast.Of(group, new(), Rates);

    [Fact]
    public void It_adds_up_its_accounts_forecasts_in_its_own_currency()
    {
        var forecast = Of(Group(1000, [], Member("A", 20_000, 10), Member("B", 10_001, 30, currency: Euro)));
        (forecast.Course[0].Exposure, forecast.Course[10].Exposure, forecast.Course[30].Exposure).ShouldBe(
            (28_001, 8_001, 0)
        );
        forecast.Course.ShouldAllBe(d => d.Limit == 100_000);
        forecast.PassesOn.ShouldBeNull();
        forecast
            .Workings()
            .Select(w => (w.Label, w.Value))
            .ShouldBe([
                ("A", "0.00"),
                ("B", "0.00"),
                ("Exposure now", "280.01"),
                ("Exposure then", "0.00"),
                ("Limit then", "1000.00"),
            ]);
    }

    [Fact]
    public void A_held_order_of_one_account_may_take_the_group_over()
    {
        var members = new[] { Member("A", 60_000, 50), Member("B", 10_000, 50, held: 37_501, currency: Euro) };
        Of(Group(980, [], members)).PassesOn.ShouldBe(Today.AddDays(7));
        Of(Group(981, [], members)).PassesOn.ShouldBeNull();
        // Over it already, or without a limit, there is no day to come.
        Of(Group(500, [], members)).PassesOn.ShouldBeNull();
        Of(Group(null, [], members)).PassesOn.ShouldBeNull();
    }

    [Fact]
    public void The_end_of_the_groups_own_uplift_counts_and_its_accounts_uplifts_do_not()
    {
        var member = Member("A", 60_000, 50) with { Uplifts = [new(Today, Today.AddDays(2), Given.Pounds(100))] };
        Of(Group(550, [new(Today, Today.AddDays(4), Given.Pounds(100))], member)).PassesOn.ShouldBe(Today.AddDays(5));
        Of(Group(600, [], member)).PassesOn.ShouldBeNull();
    }

    [Fact]
    public void An_account_without_a_rate_is_left_out_as_it_is_of_the_exposure()
    {
        var group = Group(1000, [], Member("A", 20_000, 10), Member("C", 90_000, 10, currency: Currency.Of("USD")));
        Of(group).Course[0].Exposure.ShouldBe(group.Exposure.Minor);
        group.Exposure.ShouldBe(Given.Pounds(200));
    }

    [Fact]
    public void What_spares_most_groups_the_work_never_misses_one() =>
        Gen.Select(Gen.Int[1, 60_000], Gen.Int[-20, 80], Gen.Int[0, 40_000], Gen.Int[0, 60], Gen.Int[300, 1200])
            .Sample(
                (open, due, held, uplift, limit) =>
                {
                    var group = Group(
                        limit,
                        uplift < 20
                            ? []
                            : [new(Today.AddDays(-3), Today.AddDays(uplift - 22), Given.Pounds(uplift * 8))],
                        Member("A", open, due, held % 2 == 0 ? held : 0),
                        Member("B", open / 2, due + 3, currency: Euro)
                    );
                    GroupForecast.IfPasses(group, new(), Rates)?.PassesOn.ShouldBe(Of(group).PassesOn);
                    (GroupForecast.IfPasses(group, new(), Rates) is null).ShouldBe(Of(group).PassesOn is null);
                    Of(group).Course[0].Exposure.ShouldBe(group.Exposure.Minor);
                }
            );
}
