using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Terms that stand on an invoice in words, of 2 March 2026. How they are worded is common practice.</summary>
public sealed class PlainTermsTests
{
    private static readonly DateOnly Date = new(2026, 3, 2);

    // As the shorthand would be: what is not said of the due date is a dash.
    private static string Read(string text) =>
        PlainTerms.Read(text, Date) is not { } read
            ? "nothing"
            : $"{string.Join(' ', read.Discounts.Select(d => $"{Percent(d)}/{d.Deadline.Days}"))} "
                + $"n/{(read.Instalments.Count == 0 ? "-" : read.Instalments[^1].Due.Days)}";

    private static string Percent(DiscountStep step) => Exactly.Plain(((DiscountValue.Percent)step.Value).Value);

    [Theory]
    [InlineData("2/10 n/30", "2/10 n/30")]
    [InlineData("30 days net, 2 % within 10 days", "2/10 n/30")]
    [InlineData("2 percent discount if paid within 10 days, net 30", "2/10 n/30")]
    [InlineData("3 % within 7 days, 1,5 % within 14 days, 45 days net", "3/7 1.5/14 n/45")]
    [InlineData("payable within 60 days", " n/60")]
    [InlineData("due 2026-03-31", " n/29")]
    [InlineData("2 % within 10 days", "2/10 n/-")]
    [InlineData("#SKONTO#TAGE=14#PROZENT=2.25#", "2.25/14 n/-")]
    [InlineData("#SKONTO#TAGE=14#PROZENT=2.25#\n30 days net", "2.25/14 n/30")]
    [InlineData("as agreed", "nothing")]
    [InlineData("due 2026-02-28", "nothing")]
    [InlineData("", "nothing")]
    public void What_is_said_is_read(string text, string read) => Read(text).ShouldBe(read);

    [Fact]
    public void A_text_too_long_for_terms_says_nothing() =>
        Read(new string('x', 1001) + " 30 days").ShouldBe("nothing");
}
