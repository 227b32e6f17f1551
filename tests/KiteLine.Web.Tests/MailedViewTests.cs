using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Views that go out by themselves: on their day, once, as whoever looks at them sees them.</summary>
public sealed class MailedViewTests
{
    private static object Asked(
        string rhythm = "weekly",
        int number = 1,
        string report = "ageing",
        string query = "by=owner&asOf=2026-01-31",
        string recipients = "board@saltmarsh.example",
        string format = "pdf"
    ) =>
        new
        {
            name = "Ageing for the board",
            report,
            query,
            format,
            recipients,
            rhythm,
            number,
        };

    private static JsonElement[] Mailed(DemoApp app) =>
        [
            .. app.Get("/api/outbox?pageSize=200")
                .GetAwaiter()
                .GetResult()
                .GetProperty("items")
                .EnumerateArray()
                .Where(m => Text(m, "purpose") == "view"),
        ];

    /// <summary>The business date of the demo, 16 March 2026, is a Monday.</summary>
    [Fact]
    public async Task It_goes_on_its_day_once_and_shows_what_the_view_shows()
    {
        using var app = new DemoApp();
        var (status, kept) = await app.Post("/api/mailed-views", Asked());
        status.ShouldBe(200, kept.ToString());
        Text(kept[0], "query").ShouldBe("by=owner");
        (await app.Post("/api/mailed-views", Asked(number: 2))).Status.ShouldBe(200);
        for (var i = 0; i < 3; i++)
            app.Desk.MailedViews.Look().ShouldBeEmpty();
        var sent = Mailed(app).ShouldHaveSingleItem();
        Text(sent, "account").ShouldBe("");
        Text(sent, "recipients").ShouldBe("board@saltmarsh.example");
        var views = await app.Get("/api/mailed-views");
        views.EnumerateArray().Select(v => Text(v, "lastOn")).Order().ShouldBe(["", "2026-03-16"]);

        var message = app.Desk.Books.Read(c => OutboxStore.Get(c, sent.GetProperty("id").GetInt64()));
        var file = app.Desk.Books.Read(c => app.Desk.Messages.Files(c, message)).ShouldHaveSingleItem();
        file.Name.ShouldBe("Ageing-for-the-board.pdf");
        using var pdf = PdfDocument.Open(file.Content);
        var text = string.Concat(pdf.GetPages().Select(p => p.Text));
        text.ShouldContain("16 Mar 2026");
        var ageing = await app.Get("/api/ageing?by=owner");
        foreach (var line in ageing.GetProperty("items").EnumerateArray())
            text.ShouldContain($"{Number(line, "amount"):N2}");

        // By hand it goes as often as somebody says so.
        (await app.Post($"/api/mailed-views/{Text(views[0], "id")}/send", new { })).Status.ShouldBe(200);
        Mailed(app).Length.ShouldBe(2);
        (await app.Send(HttpMethod.Delete, $"/api/mailed-views/{Text(views[0], "id")}", ""))
            .Body.GetArrayLength()
            .ShouldBe(1);
        (await app.Post($"/api/mailed-views/{Text(views[0], "id")}/send", new { })).Status.ShouldBe(404);
        app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("ageing")]
    [InlineData("measures")]
    [InlineData("leakage")]
    [InlineData("cashForecast")]
    [InlineData("provision")]
    public void Each_of_them_is_made_as_both_kinds_of_file(string report)
    {
        using var app = new DemoApp();
        var kind = Enum.Parse<MailedReport>(report, ignoreCase: true);
        using (var pdf = PdfDocument.Open(app.Desk.Views.File("a", new(kind, "", "pdf")).Content))
            pdf.NumberOfPages.ShouldBeGreaterThan(0);
        // An XLSX file is a ZIP archive.
        app.Desk.Views.File("a", new(kind, "", "xlsx")).Content.Take(2).ShouldBe("PK"u8.ToArray());
    }

    [Fact]
    public async Task One_of_an_account_a_group_or_a_what_if_shows_what_they_show()
    {
        using var app = new DemoApp();
        var account = Text((await app.Get("/api/accounts?sort=-exposure")).GetProperty("items")[0], "code");
        var group = Text((await app.Get("/api/groups"))[0], "name");
        string Pdf(MailedReport report, string of)
        {
            using var pdf = PdfDocument.Open(
                app.Desk.Views.File("a", new(report, $"of={Uri.EscapeDataString(of)}", "pdf")).Content
            );
            return string.Concat(pdf.GetPages().Select(p => p.Text));
        }

        var overview = await app.Get($"/api/accounts/{account}/overview");
        Pdf(MailedReport.Overview, account)
            .ShouldContain($"{Number(overview.GetProperty("months").EnumerateArray().Last(), "exposure"):N2}");
        var statement = await app.Get($"/api/accounts/{account}/statement");
        Pdf(MailedReport.Statement, account).ShouldContain($"{Number(statement, "closing"):N2}");
        var ofGroup = await app.Get($"/api/groups/{Uri.EscapeDataString(group)}/statement");
        Pdf(MailedReport.GroupStatement, group)
            .ShouldContain($"{Number(ofGroup.GetProperty("sums")[0], "closing"):N2}");
        var whatIf = (await app.Get("/api/what-ifs"))[0];
        Pdf(MailedReport.WhatIf, Text(whatIf, "id")).ShouldContain(Text(whatIf, "name"));
        foreach (var (report, of) in new[] { (MailedReport.Statement, account), (MailedReport.GroupStatement, group) })
            app.Desk.Views.File("a", new(report, $"of={Uri.EscapeDataString(of)}", "xlsx"))
                .Content.Take(2)
                .ShouldBe("PK"u8.ToArray());

        (await app.Post("/api/mailed-views", Asked(report: "statement", query: $"of={account}"))).Status.ShouldBe(200);
        (await app.Refused("/api/mailed-views", Asked(report: "statement", query: ""))).ShouldBe(["query"]);
        (await app.Refused("/api/mailed-views", Asked(report: "statement", query: "of=NOBODY"))).ShouldBe(["query"]);
        (await app.Refused("/api/mailed-views", Asked(report: "whatIf", query: "of=first"))).ShouldBe(["id"]);
        (await app.Refused("/api/mailed-views", Asked(report: "whatIf", query: "of=999"))).ShouldBe(["query"]);
        (
            await app.Refused("/api/mailed-views", Asked(report: "overview", query: $"of={account}", format: "xlsx"))
        ).ShouldBe(["format"]);
    }

    [Fact]
    public async Task What_is_wrong_is_named_also_in_the_view_itself()
    {
        using var app = new DemoApp();
        (await app.Refused("/api/mailed-views", Asked(recipients: "nobody"))).ShouldBe(["recipients"]);
        (await app.Refused("/api/mailed-views", Asked(number: 6))).ShouldBe(["number"]);
        (await app.Refused("/api/mailed-views", Asked(report: "board"))).ShouldBe(["report"]);
        (await app.Refused("/api/mailed-views", Asked(format: "csv"))).ShouldBe(["format"]);
        (await app.Refused("/api/mailed-views", Asked(query: "by=weight"))).ShouldBe(["by"]);
    }
}
