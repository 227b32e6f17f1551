using System.Globalization;
using System.Text.Json;
using Dapper;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class DemoTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    private static decimal Number(JsonElement element, string field) =>
        decimal.Parse(element.GetProperty(field).GetString()!, CultureInfo.InvariantCulture);

    [Fact]
    public void The_demo_is_sound_and_full()
    {
        Demo.Books.Read(Verifier.Check).ShouldBeEmpty();
        var counts = Demo.Books.Read(c =>
            c.QuerySingle<(long Accounts, long Documents, long Reminders)>(
                "SELECT (SELECT count(*) FROM account), (SELECT count(*) FROM document), (SELECT count(*) FROM reminder)"
            )
        );
        counts.Accounts.ShouldBe(84);
        counts.Documents.ShouldBeGreaterThan(4000);
        counts.Reminders.ShouldBeGreaterThan(200);
    }

    [Fact]
    public async Task Board_account_exposure_and_settlement_agree_on_every_account()
    {
        var board = await Demo.Get("/api/accounts?pageSize=200");
        board.GetProperty("items").GetArrayLength().ShouldBe(84);
        foreach (var row in board.GetProperty("items").EnumerateArray())
        {
            var code = row.GetProperty("code").GetString()!;
            var page = await Demo.Get($"/api/accounts/{code}");
            page.GetProperty("position").ToString().ShouldBe(row.ToString());
            var items = page.GetProperty("items").EnumerateArray().ToArray();
            var open = items.Sum(i => Number(i, "open"));
            open.ShouldBe(Number(row, "openItems"), code);
            row.GetProperty("ageing").EnumerateArray().Sum(a => Number(a, "amount")).ShouldBe(open, code);
            (Number(row, "limit") + Number(row, "uplift") - Number(row, "exposure")).ShouldBe(
                Number(row, "headroom"),
                code
            );
            row.GetProperty("bar")
                .EnumerateArray()
                .Sum(p => decimal.Parse(p.GetString()!, CultureInfo.InvariantCulture))
                .ShouldBe(Math.Max(0, Number(row, "exposure")), code);

            var workings = (await Demo.Get($"/api/accounts/{code}/exposure"))
                .GetProperty("workings")
                .EnumerateArray()
                .ToArray();
            Number(workings.Single(w => w.GetProperty("label").GetString() == "Exposure"), "value")
                .ShouldBe(Number(row, "exposure"), code);

            var s = await Demo.Get($"/api/accounts/{code}/settlement");
            (Number(s, "open") - Number(s, "discount") + Number(s, "lateCharges") + Number(s, "fees")).ShouldBe(
                Number(s, "toPay"),
                code
            );
            Number(s, "discount")
                .ShouldBe(
                    items.Sum(i =>
                        i.GetProperty("discountToday").ValueKind == JsonValueKind.Null ? 0 : Number(i, "discountToday")
                    ),
                    code
                );
            var ledger = await Demo.Get($"/api/accounts/{code}/ledger");
            if (ledger.GetArrayLength() > 0)
                Number(ledger[0], "balance").ShouldBe(open, code);
        }
    }

    [Theory]
    [InlineData("over-limit")]
    [InlineData("above-80")]
    [InlineData("overdue-30")]
    [InlineData("stop")]
    [InlineData("watch")]
    [InlineData("uplift")]
    [InlineData("orders")]
    public async Task Every_quick_filter_shows_at_least_three_accounts_and_as_many_as_it_says(string filter)
    {
        var board = await Demo.Get($"/api/accounts?filter={filter}&pageSize=200");
        var total = board.GetProperty("total").GetInt32();
        total.ShouldBeGreaterThanOrEqualTo(3);
        total.ShouldBe(board.GetProperty("counts").GetProperty(filter).GetInt32());
        board.GetProperty("items").GetArrayLength().ShouldBe(total);
    }

    [Fact]
    public async Task Pages_of_the_board_are_parts_of_the_whole_in_any_order()
    {
        foreach (var sort in new[] { "headroom", "-exposure", "name", "-utilisation" })
        {
            var whole = Codes(await Demo.Get($"/api/accounts?sort={sort}&pageSize=200"));
            var parts = new List<string>();
            for (var page = 1; page <= 9; page++)
                parts.AddRange(Codes(await Demo.Get($"/api/accounts?sort={sort}&page={page}&pageSize=10")));
            parts.ShouldBe(whole);
            whole.Distinct().Count().ShouldBe(84);
        }

        static string[] Codes(JsonElement board) =>
            [.. board.GetProperty("items").EnumerateArray().Select(r => r.GetProperty("code").GetString()!)];
    }

    [Fact]
    public async Task The_business_date_goes_forward_and_never_back() =>
        (await Demo.Refused("/api/company/business-date", new { date = "2026-03-15" })).ShouldBe(["date"]);
}
