using System.Globalization;
using System.Text.Json;
using Dapper;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>The cash forecast of the demo against its balances, its items and the cash that came.</summary>
public sealed class CashForecastApiTests(SharedDemo demo)
{
    private static decimal Figure(JsonElement of, string name) =>
        decimal.Parse(Text(of, name), CultureInfo.InvariantCulture);

    [Theory]
    [InlineData("2026-03-16")]
    [InlineData("2025-12-15")]
    public async Task Of_every_account_it_comes_to_what_is_owed(string day)
    {
        var app = demo.App;
        foreach (var account in app.Desk.Snapshots.Current.Accounts.Where(a => a.Currency.Code == "GBP"))
        {
            var f = await app.Get($"/api/cash-forecast?within=account:{account.Code}&asOf={day}");
            var ageing = (
                await app.Get($"/api/ageing?by=currency&within=account:{account.Code}&asOf={day}")
            ).GetProperty("sums");
            var balance = ageing.GetArrayLength() == 0 ? 0 : Figure(ageing[0], "amount");
            // Credits beyond what is not disputed bring nothing.
            (Figure(f, "expected") + Figure(f, "later") + Figure(f, "disputed") + Figure(f, "handedOver")).ShouldBe(
                Math.Max(balance, Figure(f, "disputed")),
                account.Code
            );
            f.GetProperty("weeks").EnumerateArray().Sum(w => Figure(w, "sum")).ShouldBe(Figure(f, "expected"));
        }
    }

    [Fact]
    public async Task Each_figure_parts_into_its_items()
    {
        var app = demo.App;
        const string Home = "within=controlGroup:HOME&pageSize=1000";
        var f = await app.Get($"/api/cash-forecast?{Home}");
        async Task<decimal> Items(string query) =>
            (await app.Get($"/api/cash-forecast/items?{Home}&{query}"))
                .GetProperty("items")
                .EnumerateArray()
                .Sum(i => Figure(i, "amount"));
        foreach (var (week, i) in f.GetProperty("weeks").EnumerateArray().Select((w, i) => (w, i + 1)))
        {
            (await Items($"week={i}")).ShouldBe(Figure(week, "sum"));
            foreach (var certainty in (string[])["promised", "usual", "late"])
                (await Items($"week={i}&certainty={certainty}")).ShouldBe(Figure(week, certainty));
        }

        (await Items("certainty=disputed")).ShouldBe(Figure(f, "disputed"));
        (await Items("certainty=handedOver")).ShouldBe(Figure(f, "handedOver"));
    }

    [Fact]
    public async Task What_came_is_the_receipts_of_each_week_and_what_was_expected_is_the_forecast_of_its_beginning()
    {
        var app = demo.App;
        var f = await app.Get("/api/cash-forecast?within=controlGroup:HOME");
        var then = await app.Get("/api/cash-forecast?within=controlGroup:HOME&asOf=2026-02-16");
        var home = app.Desk.Snapshots.Current.Accounts.Where(a => a.ControlGroup == "HOME").Select(a => a.Id);
        foreach (var (week, i) in f.GetProperty("former").EnumerateArray().Select((w, i) => (w, i)))
        {
            Text(week, "expected").ShouldBe(Text(then.GetProperty("weeks")[i], "sum"));
            var came = app.Books.Read(c =>
                c.ExecuteScalar<long>(
                    $"""
                    SELECT coalesce(-sum(m.amount), 0) FROM item i JOIN movement m ON m.item_id = i.id
                    WHERE i.kind = 2 AND m.kind = 0 AND m.value_date BETWEEN @from AND @to
                        AND i.account_id IN ({string.Join(", ", home)})
                    """,
                    new { from = Text(week, "from"), to = Text(week, "to") }
                )
            );
            Figure(week, "came").ShouldBe(came / 100m);
        }
    }

    [Theory]
    [InlineData("cash-forecast?asOf=2026-03-17", "asOf")]
    [InlineData("cash-forecast/items?week=14", "week")]
    [InlineData("cash-forecast/items?certainty=sure", "certainty")]
    [InlineData("cash-forecast/file?format=doc", "format")]
    public async Task What_cannot_be_answered_names_its_field(string path, string field)
    {
        using var answer = await demo.App.Client.GetAsync(new Uri($"/api/{path}", UriKind.Relative));
        ((int)answer.StatusCode).ShouldBe(400);
        JsonDocument
            .Parse(await answer.Content.ReadAsStringAsync())
            .RootElement.GetProperty("errors")
            .EnumerateObject()
            .Select(e => e.Name)
            .ShouldBe([field]);
    }
}
