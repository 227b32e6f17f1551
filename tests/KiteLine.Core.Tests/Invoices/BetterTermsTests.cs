using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What terms of one document give beyond the customer's own; 1,000.00 of 2 March, all values worked by hand.</summary>
public sealed class BetterTermsTests
{
    private static readonly DateOnly Date = Given.Day("2026-03-02");
    private static readonly BooksRules Rules = Given.Rules(Given.Day("2026-03-16"));

    [Theory]
    [InlineData("90/10 n/30", "2/10 n/30", "880.00")]
    [InlineData("2/10 n/30", "2/10 n/30", "0.00")]
    [InlineData("1/10 n/30", "2/10 n/30", "0.00")]
    [InlineData("n/90", "2/10 n/30", "0.00")]
    [InlineData("3/7 n/30", "n/30", "30.00")]
    // The same 2 %, but twenty days longer: after the tenth day the customer's own give nothing.
    [InlineData("2/30 n/45", "2/10 n/30", "20.00")]
    public void By_the_day_on_which_they_differ_most(string own, string usual, string beyond) =>
        BetterTerms
            .Beyond(
                Shorthand.Read(own),
                Shorthand.Read(usual),
                Given.Amounts(1000),
                Date,
                Rules.Calendar,
                Rules.Rounding
            )
            .ToString()
            .ShouldBe(beyond);

    [Fact]
    public void They_are_measured_by_the_authority_for_discounts()
    {
        void Check(string own, Authority authority) =>
            BetterTerms.RefuseBeyond(
                Shorthand.Read(own),
                Shorthand.Read("2/10 n/30"),
                Given.Amounts(1000),
                Date,
                "discount",
                authority,
                Rules
            );
        Should
            .Throw<RefusedException>(() => Check("90/10 n/30", Authority.None))
            .Problems.ShouldHaveSingleItem()
            .Field.ShouldBe("discount");
        Check("90/10 n/30", new(0, 0, 880, 0));
        Check("2/10 n/60", Authority.None);
    }
}
