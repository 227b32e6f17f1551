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

    [Theory]
    [InlineData("of=PEL01", "PEL01")]
    [InlineData("by=owner&of=North+%26+South", "North & South")]
    [InlineData("offset=1", "")]
    [InlineData("", "")]
    public void A_view_of_one_names_it(string query, string of) => MailedView.OfIn(query).ShouldBe(of);

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
        Wrong(Sound with { Report = MailedReport.Statement }).ShouldBe(["query"]);
        Wrong(Sound with { Report = MailedReport.Statement, Query = "of=PEL01" }).ShouldBeEmpty();
        Wrong(Sound with { Report = MailedReport.WhatIf, Query = "of=&x=1" }).ShouldBe(["query"]);
        Wrong(Sound with { Report = MailedReport.Overview, Query = "of=PEL01", Format = "xlsx" }).ShouldBe(["format"]);
    }
}
