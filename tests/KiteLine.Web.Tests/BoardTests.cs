using System.Globalization;
using System.Text.Json;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>The board's conditions and comparisons, and Today beside it, over the demo.</summary>
public sealed class BoardTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    [Fact]
    public async Task Today_ranks_by_money_at_risk_and_names_what_the_board_counts()
    {
        var today = await Demo.Get("/api/today");
        var ranked = today.GetProperty("items").EnumerateArray().Select(e => Number(e, "atRiskAtHome")).ToList();
        ranked.ShouldBe(ranked.OrderDescending());
        var counts = (await Demo.Get("/api/accounts?pageSize=1")).GetProperty("counts");
        var groupsOver = (await Demo.Get("/api/groups"))
            .EnumerateArray()
            .Count(g => g.GetProperty("hasLimit").GetBoolean() && Number(g, "headroom") < 0);
        today
            .GetProperty("counts")
            .GetProperty("overLimit")
            .GetInt32()
            .ShouldBe(counts.GetProperty("over-limit").GetInt32() + groupsOver);
        today
            .GetProperty("counts")
            .GetProperty("willPass")
            .GetInt32()
            .ShouldBe(counts.GetProperty("will-pass").GetInt32());
        today
            .GetProperty("counts")
            .GetProperty("heldOrder")
            .GetInt32()
            .ShouldBe((await Demo.Get("/api/orders")).GetProperty("held").GetInt32());
        foreach (var kind in today.GetProperty("counts").EnumerateObject())
            kind.Value.GetInt32()
                .ShouldBeGreaterThan(kind.Name == "promiseDue" ? 1 : 2, $"{kind.Name} is shown by the demo");
    }

    [Theory]
    [InlineData("owner=R.%20Adeyemi")]
    [InlineData("state=watch,stop&utilisationFrom=50")]
    [InlineData("overdueFrom=5000&ageFrom=60")]
    [InlineData("field=region:Estuary&utilisationTo=80")]
    [InlineData("reviewBy=2026-06-30")]
    [InlineData("promise=broken&state=watch")]
    [InlineData("group=Fairwater%20Group&filter=overdue")]
    public async Task Conditions_combine_and_every_row_holds_to_all_of_them(string query)
    {
        var all = (await Demo.Get("/api/accounts?pageSize=200")).GetProperty("items").EnumerateArray().ToList();
        var found = (await Demo.Get($"/api/accounts?pageSize=200&{query}"))
            .GetProperty("items")
            .EnumerateArray()
            .ToList();
        found.Count.ShouldBeInRange(1, 60);
        var wanted = query
            .Split('&')
            .Select(p => p.Split('='))
            .ToDictionary(p => p[0], p => Uri.UnescapeDataString(p[1]));
        bool Holds(JsonElement r) =>
            wanted.All(w =>
                w.Key switch
                {
                    "owner" => r.GetProperty("owner").GetString() == w.Value,
                    "state" => w.Value.Split(',').Contains(r.GetProperty("state").GetString()),
                    "utilisationFrom" => r.GetProperty("utilisation").GetDecimal() * 100
                        >= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
                    "utilisationTo" => r.GetProperty("utilisation").GetDecimal() * 100
                        <= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
                    "overdueFrom" => Number(r, "overdue") >= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
                    "ageFrom" => r.GetProperty("oldestDays").GetInt32()
                        >= int.Parse(w.Value, CultureInfo.InvariantCulture),
                    "field" => r.GetProperty("fields").GetProperty("region").GetString() == "Estuary",
                    "reviewBy" => r.GetProperty("reviewOn").GetString() is { } on
                        && string.CompareOrdinal(on, w.Value) <= 0,
                    "promise" => r.GetProperty("promise").GetString() == w.Value,
                    "group" => r.GetProperty("group").GetString()!.StartsWith("Fairwater", StringComparison.Ordinal),
                    "filter" => Number(r, "overdue") > 0,
                    _ => false,
                }
            );
        found
            .Select(r => r.GetProperty("code").GetString())
            .ShouldBe(all.Where(Holds).Select(r => r.GetProperty("code").GetString()));
    }

    [Theory]
    [InlineData("ageFrom=abc", "ageFrom", "a whole number")]
    [InlineData("page=two", "page", "a whole number")]
    [InlineData("utilisationFrom=most", "utilisationFrom", "a percentage")]
    [InlineData("overdueFrom=-1", "overdueFrom", "an amount")]
    [InlineData("since=2026-03-17", "since", "up to 16 Mar 2026")]
    [InlineData("asOf=2026-02-30", "asOf", "year-month-day")]
    [InlineData("reviewBy=soon", "reviewBy", "year-month-day")]
    [InlineData("state=closed", "state", "open, watch, stop")]
    [InlineData("promise=perhaps", "promise", "kept")]
    [InlineData("group=Nobody", "group", "no group ‘Nobody’")]
    [InlineData("field=region", "field", "a field and its value")]
    [InlineData("filter=large", "filter", "no filter ‘large’")]
    [InlineData("sort=luck", "sort", "headroom")]
    [InlineData("pageSize=5000", "pageSize", "1 to 1,000")]
    public async Task A_condition_that_cannot_be_read_is_named_with_what_is_wanted(
        string query,
        string field,
        string wanted
    )
    {
        using var response = await Demo.Client.GetAsync(new Uri($"/api/accounts?{query}", UriKind.Relative));
        ((int)response.StatusCode).ShouldBe(400);
        var error = JsonDocument
            .Parse(await response.Content.ReadAsStringAsync())
            .RootElement.GetProperty("errors")
            .EnumerateObject()
            .ShouldHaveSingleItem();
        error.Name.ShouldBe(field);
        error.Value[0].GetString()!.ShouldContain(wanted);
    }

    [Fact]
    public async Task Groups_are_those_with_an_account_in_the_view_and_go_out_as_tables()
    {
        var all = (await Demo.Get("/api/groups")).EnumerateArray().ToList();
        all.ShouldAllBe(g =>
            g.GetProperty("matching").GetInt32() == g.GetProperty("accounts").GetInt32()
            && g.GetProperty("change").ValueKind == JsonValueKind.Null
        );
        const string View = "filter=overdue-30&state=open,watch&since=2026-02-16";
        var found = (await Demo.Get($"/api/accounts?pageSize=200&{View}"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(r => r.GetProperty("code").GetString()!)
            .ToList();
        var narrowed = (await Demo.Get($"/api/groups?{View}")).EnumerateArray().ToList();
        var then = (await Demo.Get("/api/groups?asOf=2026-02-16"))
            .EnumerateArray()
            .ToDictionary(g => g.GetProperty("name").GetString()!, g => Number(g, "exposure"));
        foreach (var group in all)
        {
            var name = group.GetProperty("name").GetString()!;
            var members = (await Demo.Get($"/api/accounts?pageSize=200&group={Uri.EscapeDataString(name)}"))
                .GetProperty("items")
                .EnumerateArray()
                .Count(r => found.Contains(r.GetProperty("code").GetString()!));
            var shown = narrowed.Where(g => g.GetProperty("name").GetString() == name).ToList();
            shown.Count.ShouldBe(members > 0 ? 1 : 0, name);
            if (members == 0)
                continue;
            shown[0].GetProperty("matching").GetInt32().ShouldBe(members);
            Number(shown[0], "exposure").ShouldBe(Number(group, "exposure"));
            Number(shown[0], "change").ShouldBe(Number(group, "exposure") - then[name]);
        }

        narrowed.Count.ShouldBeInRange(1, all.Count);
        var sheet = (
            await Demo.Client.GetStringAsync(new Uri($"/api/group-export?format=csv&{View}", UriKind.Relative))
        )
            .TrimEnd()
            .Split("\r\n");
        sheet.Length.ShouldBe(narrowed.Count + 1);
        sheet[0].ShouldContain("Group,Part of,Currency,Accounts,Shown,Limit");
        using var none = await Demo.Client.GetAsync(new Uri("/api/group-export?format=pdf", UriKind.Relative));
        ((int)none.StatusCode).ShouldBe(400);
    }

    [Fact]
    public async Task The_change_since_a_day_is_the_difference_of_two_boards()
    {
        var then = (await Demo.Get("/api/accounts?pageSize=200&asOf=2026-02-16"))
            .GetProperty("items")
            .EnumerateArray()
            .ToDictionary(r => r.GetProperty("code").GetString()!, r => Number(r, "exposure"));
        var rows = (await Demo.Get("/api/accounts?pageSize=200&since=2026-02-16&sort=-change"))
            .GetProperty("items")
            .EnumerateArray()
            .ToList();
        foreach (var row in rows)
            Number(row, "change").ShouldBe(Number(row, "exposure") - then[row.GetProperty("code").GetString()!]);
        rows.Select(r => Number(r, "change")).ShouldBe(rows.Select(r => Number(r, "change")).OrderDescending());
    }
}
