using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class MailedViewTests
{
    private static readonly MailedView Sound = new(
        "Ageing by owner",
        MailedReport.Ageing,
        "by=owner",
        "pdf",
        "board@company.example; bank@bank.example",
        new(RunRhythm.Weekly, 1)
    );

    [Theory]
    [InlineData("?by=owner&asOf=2026-01-31&since=2025-12-31", "by=owner")]
    [InlineData("from=2026-01-01&to=2026-01-31&within=owner%3AAnn&format=csv", "within=owner%3AAnn")]
    [InlineData("", "")]
    public void A_view_is_of_the_day_on_which_it_goes(string query, string kept) =>
        MailedView.WithoutDays(query).ShouldBe(kept);

    [Fact]
    public void What_is_wrong_is_named_by_its_field()
    {
        string[] Wrong(MailedView view) => [.. view.Problems().Select(p => p.Field)];
        Wrong(Sound).ShouldBeEmpty();
        Wrong(Sound with { Name = " " }).ShouldBe(["name"]);
        Wrong(Sound with { Name = new('x', 101) }).ShouldBe(["name"]);
        Wrong(Sound with { Query = new('x', 1001) }).ShouldBe(["query"]);
        Wrong(Sound with { Format = "csv" }).ShouldBe(["format"]);
        Wrong(Sound with { Recipients = "" }).ShouldBe(["recipients"]);
        Wrong(Sound with { Recipients = "nobody" }).ShouldBe(["recipients"]);
        Wrong(Sound with { Timing = new(RunRhythm.Monthly, 21) }).ShouldBe(["number"]);
    }
}
