using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>The overview of an account over HTTP, tied to the measures and the board, and its page as printed.</summary>
public sealed class OverviewApiTests(SharedDemo demo)
{
    [Theory]
    [InlineData("FOU01")]
    [InlineData("SIL01")]
    public async Task Its_figures_are_those_of_measures_and_board(string code)
    {
        var o = await demo.App.Get($"/api/accounts/{code}/overview");
        var months = o.GetProperty("months");
        var m = await demo.App.Get($"/api/measures?account={code}&from={Text(months[0], "from")}&to=2026-03-16");
        foreach (
            var (ours, theirs) in new[] { ("sales", "sales"), ("daysToPay", "daysToPay"), ("daysLate", "daysLate") }
        )
            Text(o, ours).ShouldBe(Text(m, theirs));
        months.EnumerateArray().Sum(x => Number(x, "sales")).ShouldBe(Number(o, "sales"));
        Text(o, "discountsUsed").ShouldBe(Text(m, "discountUsed"));
        var row = (await demo.App.Get($"/api/accounts?q={code}")).GetProperty("items")[0];
        Text(o.GetProperty("now"), "exposure").ShouldBe(Text(row, "exposure"));
        Text(months[11], "exposure").ShouldBe(Text(row, "exposure"));
        var suggested = await demo.App.Get($"/api/accounts/{code}/suggested-limits");
        o.GetProperty("suggested").GetRawText().ShouldBe(suggested.GetRawText());
    }

    [Fact]
    public async Task It_is_printed_on_one_page_however_much_changed()
    {
        var codes = demo.App.Desk.Snapshots.Current.Accounts.Select(a => a.Code).ToArray();
        foreach (var code in codes)
        {
            using var pdf = PdfDocument.Open(
                await demo.App.Client.GetByteArrayAsync($"/api/accounts/{code}/overview/file?since=2024-07-01")
            );
            pdf.NumberOfPages.ShouldBe(1, code);
            pdf.GetPage(1).Text.ShouldContain("Limit decided");
        }

        (await demo.App.Client.GetAsync("/api/accounts/FOU01/overview?since=2026-03-16")).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.BadRequest
        );
        (await demo.App.Client.GetAsync("/api/accounts/NOBODY/overview")).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.NotFound
        );
    }
}
