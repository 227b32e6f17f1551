using System.Globalization;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>A limit or an uplift is measured on every day on which it holds, not on its first alone.</summary>
public class LimitDecisionTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Authority UpTo3000 = new(3000, 0, 0, 0);

    // 1,000.00 now, 2,500.00 from 1 April on, back to 500.00 from 1 May on.
    private static readonly LimitChange[] Limits =
    [
        new(DateOnly.MinValue, Given.Pounds(1000)),
        new(new(2026, 4, 1), Given.Pounds(2500), new(2026, 3, 2)),
        new(new(2026, 5, 1), Given.Pounds(500), new(2026, 3, 2)),
    ];

    private static bool Within(LimitProposal proposal, params Uplift[] uplifts) =>
        LimitDecision.Within(proposal, Limits, uplifts, Given.Gbp, UpTo3000, Given.Rules(Today));

    private static decimal Resulting(LimitProposal proposal, params Uplift[] uplifts) =>
        LimitDecision.Resulting(proposal, Limits, uplifts, Given.Gbp, Today).Amount;

    private static LimitProposal Uplift(int pounds, DateOnly until) => new(pounds * 100L, Today, until, "season");

    [Fact]
    public void An_uplift_lies_on_every_limit_that_comes_into_force_before_it_ends()
    {
        // 1,000 + 1,000 on its first day; 2,500 + 1,000 from 1 April on.
        Resulting(Uplift(1000, new(2026, 3, 31))).ShouldBe(2000);
        Within(Uplift(1000, new(2026, 3, 31))).ShouldBeTrue();
        Resulting(Uplift(1000, new(2026, 4, 1))).ShouldBe(3500);
        Within(Uplift(1000, new(2026, 4, 1))).ShouldBeFalse();
        Within(Uplift(500, new(2026, 12, 31))).ShouldBeTrue();
    }

    [Fact]
    public void A_limit_bears_every_uplift_until_the_next_limit()
    {
        Uplift[] later = [new(new(2026, 3, 20), new(2026, 6, 30), Given.Pounds(1500), new(2026, 3, 2))];
        var limit = new LimitProposal(160_000, Today, null, "more trade");
        // 1,600 + 1,500 from 20 March on.
        Resulting(limit, later).ShouldBe(3100);
        Within(limit, later).ShouldBeFalse();
        Within(limit with { Amount = 150_000 }, later).ShouldBeTrue();
        // From 1 April on another limit stands, and what comes after that is not this one's.
        Uplift[] after = [new(new(2026, 4, 1), new(2026, 6, 30), Given.Pounds(1500), new(2026, 3, 2))];
        Within(limit, after).ShouldBeTrue();
    }

    [Theory]
    // By hand: the limit of 5,000 that stands is to be looked at by 31 March; authority reaches to 3,000.
    [InlineData(5000, "2026-03-31", true)]
    [InlineData(5000, "2026-03-20", true)]
    [InlineData(5000, "2026-04-01", false)]
    [InlineData(5000, null, false)]
    [InlineData(4999, "2027-03-16", false)]
    [InlineData(4999, "2026-03-31", true)]
    [InlineData(3000, "2027-03-16", true)]
    public void To_put_off_the_review_of_a_limit_is_to_grant_it_again(int pounds, string? review, bool alone)
    {
        var day = review is null ? (DateOnly?)null : DateOnly.Parse(review, CultureInfo.InvariantCulture);
        LimitDecision
            .Within(
                new(pounds * 100L, Today, null, "looked at", ReviewOn: day),
                [new(DateOnly.MinValue, Given.Pounds(5000), ReviewOn: new DateOnly(2026, 3, 31))],
                [],
                Given.Gbp,
                UpTo3000,
                Given.Rules(Today)
            )
            .ShouldBe(alone);
    }

    [Fact]
    public void A_lower_limit_takes_no_authority()
    {
        var none = Authority.None;
        bool Lower(long amount) =>
            LimitDecision.Within(
                new(amount, Today, null, "less trade"),
                Limits,
                [],
                Given.Gbp,
                none,
                Given.Rules(Today)
            );
        Lower(100_000).ShouldBeTrue();
        Lower(100_001).ShouldBeFalse();
    }
}
