using Shouldly;
using Xunit;
using static KiteLine.Core.Tests.Given;

namespace KiteLine.Core.Tests;

/// <summary>What replays add up to; values worked by hand.</summary>
public class ReplaySumTests
{
    private static readonly Currency Eur = Currency.Of("EUR");
    private static readonly DateOnly On = Day("2026-03-16");

    private static AccountReplay Replay(string code, Currency currency, params ReplayedLine[] lines) =>
        new(
            new()
            {
                Id = 1,
                Code = code,
                Name = code,
                Currency = currency,
            },
            lines
        );

    private static ReplayedLine Line(ReplayKind kind, long? happened, long? would, Currency? currency = null) =>
        new(
            kind,
            On,
            "",
            happened is { } h ? Money.FromMinor(h, currency ?? Gbp) : null,
            would is { } w ? Money.FromMinor(w, currency ?? Gbp) : null
        );

    private static ReplaySum Of(ExchangeRate[] rates, params AccountReplay[] replays)
    {
        var sum = new ReplaySum(new(Gbp, rates, 7, RoundingRule.HalfAwayFromZero), On);
        foreach (var replay in replays)
            sum.Add(replay);
        return sum;
    }

    [Fact]
    public void Charges_fees_and_interest_less_discounts_are_what_it_brings()
    {
        var sum = Of(
            [],
            Replay(
                "A",
                Gbp,
                Line(ReplayKind.Discount, 2000, 500),
                Line(ReplayKind.LateCharge, 300, 700),
                Line(ReplayKind.ReminderFee, 0, 100),
                Line(ReplayKind.OrderHeld, 5000, null),
                Line(ReplayKind.CashInterest, null, -250)
            ),
            Replay("B", Gbp, Line(ReplayKind.LateCharge, 40, 40)),
            Replay("C", Gbp)
        );
        (sum.Happened.Brings, sum.Would.Brings).ShouldBe((340 - 2000, 740 + 100 - 250 - 500));
        (sum.Happened.Letters, sum.Would.Letters, sum.Would.OrdersHeld, sum.Would.Charged).ShouldBe((1, 1, 0, 2));
        (sum.Accounts, sum.Differing).ShouldBe((3, 1));
        sum.Largest.Select(a => a.Code).ShouldBe(["A"]);
        ReplayWorkings.Of(sum.Happened, sum.Would, Gbp)[^1].ShouldBe(new("Difference", "0.90 − -16.60", "17.50"));
    }

    /// <summary>At 0.80 pounds a euro 10.00 are 8.00; without a rate they are left out and named.</summary>
    [Fact]
    public void Other_currencies_are_converted_or_named()
    {
        var abroad = Replay("E", Eur, Line(ReplayKind.LateCharge, null, 1000, Eur));
        var with = Of([new(Eur, On, 0.8m, On)], abroad);
        (with.Would.Charges, with.WithoutRate.Count).ShouldBe((800, 0));
        var without = Of([], abroad);
        without.Would.Charges.ShouldBe(0);
        without.WithoutRate.ShouldBe(["EUR"]);
    }

    [Fact]
    public void Those_that_no_rule_explains_come_first_and_then_the_largest_of_at_most_200()
    {
        var wrong = Line(ReplayKind.LateCharge, 1, 1) with { ByOwnRules = Money.FromMinor(2, Gbp) };
        var sum = Of(
            [],
            [
                .. Enumerable.Range(1, 250).Select(i => Replay($"A{i:D3}", Gbp, Line(ReplayKind.LateCharge, null, i))),
                Replay("WRONG", Gbp, wrong),
            ]
        );
        sum.Largest.Count.ShouldBe(ReplaySum.Most);
        sum.Largest.Take(3).Select(a => a.Code).ShouldBe(["WRONG", "A250", "A249"]);
        (sum.Differing, sum.Unexplained).ShouldBe((251, 1));
    }
}
