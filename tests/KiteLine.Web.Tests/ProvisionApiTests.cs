using System.Globalization;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>The provision over HTTP: by the rates of its day, tied to the ageing, and rates that managers give.</summary>
public sealed class ProvisionApiTests
{
    private static decimal Figure(JsonElement of, string name) =>
        decimal.Parse(Text(of, name), CultureInfo.InvariantCulture);

    [Fact]
    public async Task It_is_the_ageing_of_its_day_by_the_rates_of_its_day()
    {
        using var app = new DemoApp();
        foreach (
            var (day, rates) in ((string, decimal[])[])
                [("2026-03-16", [0.3m, 1.6m, 4.2m, 9.5m, 28m]), ("2025-12-31", [0.3m, 1.5m, 4m, 9m, 25m])]
        )
        {
            var p = await app.Get($"/api/provision?within=controlGroup:HOME&asOf={day}");
            var ageing = (await app.Get($"/api/ageing?by=currency&within=controlGroup:HOME&asOf={day}"))
                .GetProperty("sums")[0]
                .GetProperty("ageing");
            decimal sum = 0;
            for (var i = 0; i < rates.Length; i++)
            {
                var line = p.GetProperty("lines")[i];
                Text(line, "gross").ShouldBe(Text(ageing[i], "amount"));
                var loss = Math.Round(
                    Math.Max(0, Figure(line, "gross")) * rates[i] / 100,
                    2,
                    MidpointRounding.AwayFromZero
                );
                Figure(line, "loss").ShouldBe(loss);
                sum += loss;
            }

            Figure(p, "loss").ShouldBe(sum);
        }

        // All currencies together, as converted, are what the measures call receivables.
        var all = await app.Get("/api/provision");
        Text(all, "gross").ShouldBe(Text(await app.Get("/api/measures"), "receivablesEnd"));
        (await app.Get("/api/provision?asOf=2024-06-30")).GetProperty("lines").GetArrayLength().ShouldBe(0);
    }

    [Fact]
    public async Task New_rates_hold_from_their_day_on_and_what_was_before_stays()
    {
        using var app = new DemoApp();
        var before = await app.Get("/api/provision?asOf=2026-02-27");
        var body = new
        {
            from = "2026-03-01",
            upTo = new[] { 45 },
            rates = new[] { "1", "10", "50" },
            reason = "A large customer is in trouble",
        };
        var (status, made) = await app.Post("/api/provision/matrices", body);
        status.ShouldBe(200, made.ToString());
        (await app.Get("/api/provision?asOf=2026-02-27")).ToString().ShouldBe(before.ToString());
        var now = await app.Get("/api/provision");
        now.GetProperty("lines").EnumerateArray().Select(l => Text(l, "bucket")).ShouldBe(["notDue", "1-45", "over45"]);
        Text((await app.Get("/api/provision/matrices"))[0], "reason").ShouldBe(body.reason);
        app.Books.Read(Verifier.Check).ShouldBeEmpty();

        (await app.Refused("/api/provision/matrices", body with { reason = "" })).ShouldBe(["reason"]);
        (await app.Refused("/api/provision/matrices", body with { rates = ["1", "x", "200"] })).ShouldBe(
            ["rates[1]", "rates[2]"],
            ignoreOrder: true
        );
        (await app.Refused("/api/provision/matrices", body with { upTo = [60, 30] })).ShouldContain("upTo");
        (await app.Refused("/api/provision/matrices", body with { from = "soon" })).ShouldBe(["from"]);
    }
}
