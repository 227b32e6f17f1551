using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CallOutcomeTests
{
    private static readonly CallOutcome Nothing = new("", null, null, [], false, null);

    [Fact]
    public void The_log_tells_the_call_as_a_whole() =>
        new CallOutcome(
            "Will look",
            (Given.Pounds(12.5m), new(2026, 3, 20)),
            ("INV-1", "torn"),
            ["INV-2", "INV-3"],
            true,
            new(2026, 3, 23)
        )
            .Entries()
            .ShouldBe([
                "Will look\nPromised 12.50 GBP by 20 Mar 2026.\nDisputes INV-1: torn\nCopies sent: INV-2, INV-3.\n"
                    + "A statement was sent.\nTo be called again on 23 Mar 2026.",
            ]);

    [Fact]
    public void What_is_too_long_for_one_entry_stands_in_two_and_nothing_of_it_is_lost()
    {
        var said = new string('x', ContactRule.LongestText);
        (Nothing with { Text = said }).Entries().ShouldBe([said]);
        (Nothing with { Text = said, Statement = true }).Entries().ShouldBe([said, "A statement was sent."]);
    }

    [Fact]
    public void Of_which_nothing_came_is_no_call() =>
        Should.Throw<RefusedException>(() => Nothing.Entries()).Problems[0].Field.ShouldBe("text");

    [Theory]
    [InlineData("2026-03-16", "2026-02-01")]
    [InlineData("2026-01-31", "2025-12-01")]
    public void Its_statement_is_of_this_month_and_the_one_before(string today, string from) =>
        CallOutcome.StatementFrom(Given.Day(today)).ShouldBe(Given.Day(from));
}
