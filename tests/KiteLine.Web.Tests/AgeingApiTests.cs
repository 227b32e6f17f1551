using System.Globalization;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>The ageing of the demo's books against DuckDB over its raw rows, against the journal, and as files.</summary>
public sealed class AgeingApiTests(SharedDemo demo)
{
    private static long Minor(JsonElement of, string name) =>
        (long)(decimal.Parse(Text(of, name), CultureInfo.InvariantCulture) * 100);

    private sealed record Raw(string Key, string Currency, string Bucket, long Amount);

    // Items by the later of value date and posting date, the age from due date or invoice date.
    private List<Raw> Of(string key, string basis, string day)
    {
        using var raw = RawTables.Of(demo.App.Books, "account", "item", "movement", "entry");
        return raw
            .Duck.Query<Raw>(
                $"""
                WITH open AS (SELECT i.id, i.account_id, sum(m.amount) amount,
                        date_diff('day', CAST(i.{basis} AS DATE), DATE '{day}') age
                    FROM item i JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                    WHERE greatest(m.value_date, CASE WHEN e.account_id IS NULL THEN '' ELSE e.posting_date END) <= '{day}'
                    GROUP BY ALL HAVING sum(m.amount) <> 0)
                SELECT coalesce(a.{key}, '') "key", a.currency, CASE WHEN age <= 0 THEN 'notDue' WHEN age <= 30 THEN '1-30'
                    WHEN age <= 60 THEN '31-60' WHEN age <= 90 THEN '61-90' ELSE 'over90' END bucket,
                    CAST(sum(o.amount) AS BIGINT) amount
                FROM open o JOIN account a ON a.id = o.account_id GROUP BY ALL HAVING sum(o.amount) <> 0
                """
            )
            .AsList();
    }

    [Theory]
    [InlineData("owner", "owner", "due", "2026-03-16")]
    [InlineData("account", "code", "due", "2026-03-16")]
    [InlineData("account", "code", "invoice", "2026-01-20")]
    [InlineData("group", "group_name", "due", "2025-10-31")]
    [InlineData("currency", "currency", "invoice", "2025-02-28")]
    public async Task It_equals_a_recomputation_from_the_raw_rows(string by, string column, string basis, string day)
    {
        var raw = Of(column, basis == "due" ? "due" : "date", day);
        raw.Count.ShouldBeGreaterThan(3);
        var answer = await demo.App.Get($"/api/ageing?by={by}&basis={basis}&asOf={day}&pageSize=1000");
        var ours = answer
            .GetProperty("items")
            .EnumerateArray()
            .SelectMany(line =>
                line.GetProperty("ageing")
                    .EnumerateArray()
                    .Select(b => new Raw(
                        Text(line, "key"),
                        Text(line, "currency"),
                        Text(b, "bucket"),
                        Minor(b, "amount")
                    ))
            )
            .Where(r => r.Amount != 0)
            .ToList();
        ours.ShouldBe(raw, ignoreOrder: true);
        foreach (var sum in answer.GetProperty("sums").EnumerateArray())
            Minor(sum, "amount").ShouldBe(raw.Where(r => r.Currency == Text(sum, "currency")).Sum(r => r.Amount));
        // And the journal, which is kept by itself, shows the same on the customers' accounts.
        foreach (var journal in answer.GetProperty("journal").EnumerateArray())
        {
            Minor(journal, "difference").ShouldBe(0);
            Minor(journal, "journal")
                .ShouldBe(raw.Where(r => r.Currency == Text(journal, "currency")).Sum(r => r.Amount));
        }
    }

    [Fact]
    public async Task A_line_parts_into_its_accounts_and_a_figure_into_its_items()
    {
        var app = demo.App;
        var line = (await app.Get("/api/ageing?by=owner&sort=-over90"))
            .GetProperty("items")
            .EnumerateArray()
            .First(l => Text(l, "currency") == "GBP");
        var scope = $"within=owner:{Uri.EscapeDataString(Text(line, "key"))}&currency=GBP";
        var accounts = (await app.Get($"/api/ageing?by=account&{scope}&pageSize=1000")).GetProperty("items");
        accounts.EnumerateArray().Sum(a => Minor(a, "amount")).ShouldBe(Minor(line, "amount"));
        accounts.GetArrayLength().ShouldBe(line.GetProperty("accounts").GetInt32());
        foreach (var bucket in line.GetProperty("ageing").EnumerateArray())
        {
            var items = await app.Get($"/api/ageing/items?{scope}&bucket={Text(bucket, "bucket")}&pageSize=1000");
            items.GetProperty("items").EnumerateArray().Sum(i => Minor(i, "open")).ShouldBe(Minor(bucket, "amount"));
            items.GetProperty("total").GetInt32().ShouldBe(items.GetProperty("items").GetArrayLength());
        }

        var item = (await app.Get($"/api/ageing/items?{scope}&bucket=over90")).GetProperty("items")[0];
        item.GetProperty("days").GetInt32().ShouldBeGreaterThan(90);
        Text(item, "document").ShouldNotBeEmpty();
    }

    [Fact]
    public async Task The_difference_is_that_of_the_two_days()
    {
        var app = demo.App;
        async Task<Dictionary<string, long>> On(string query) =>
            (await app.Get($"/api/ageing?by=account&pageSize=1000&{query}"))
                .GetProperty("items")
                .EnumerateArray()
                .ToDictionary(l => Text(l, "key"), l => Minor(l, query.Contains("since") ? "change" : "amount"));
        var (now, before) = (await On("asOf=2026-03-16"), await On("asOf=2025-12-31"));
        var changes = await On("asOf=2026-03-16&since=2025-12-31");
        changes.Keys.ShouldBe(now.Keys.Union(before.Keys), ignoreOrder: true);
        foreach (var (key, change) in changes)
            change.ShouldBe(now.GetValueOrDefault(key) - before.GetValueOrDefault(key), key);
    }

    [Fact]
    public async Task The_band_is_what_each_of_its_days_shows()
    {
        var app = demo.App;
        var band = await app.Get("/api/ageing/course?asOf=2026-03-16&within=controlGroup:HOME");
        var points = band.GetProperty("points").EnumerateArray().ToArray();
        points
            .Select(p => Text(p, "day"))
            .ShouldBe([
                .. Enumerable
                    .Range(0, 12)
                    .Select(m => $"{new DateOnly(2025, 4, 1).AddMonths(m).AddDays(-1):yyyy-MM-dd}"),
                "2026-03-16",
            ]);
        foreach (var point in points)
        {
            var day = await app.Get($"/api/ageing?by=currency&within=controlGroup:HOME&asOf={Text(point, "day")}");
            Minor(point, "amount").ShouldBe(day.GetProperty("sums").EnumerateArray().Sum(s => Minor(s, "amount")));
        }
    }

    [Theory]
    [InlineData("by=nobody", "by")]
    [InlineData("by=field", "field")]
    [InlineData("by=field&field=nothing", "field")]
    [InlineData("within=owner", "within")]
    [InlineData("within=field:x", "within")]
    [InlineData("within=field.nothing:x", "within")]
    [InlineData("basis=both", "basis")]
    [InlineData("asOf=2026-02-30", "asOf")]
    [InlineData("since=2026-03-16", "since")]
    [InlineData("currency=ZZZ", "currency")]
    [InlineData("sort=size", "sort")]
    [InlineData("pageSize=1001", "pageSize")]
    public async Task What_cannot_be_answered_names_its_field(string query, string field)
    {
        using var answer = await demo.App.Client.GetAsync(new Uri($"/api/ageing?{query}", UriKind.Relative));
        ((int)answer.StatusCode).ShouldBe(400);
        var problem = JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement;
        problem.GetProperty("errors").TryGetProperty(field, out _).ShouldBeTrue(problem.ToString());
    }

    [Fact]
    public async Task Each_kind_of_file_ends_with_the_totals()
    {
        var app = demo.App;
        var total = Text((await app.Get("/api/ageing?by=owner")).GetProperty("sums")[0], "amount");
        async Task<byte[]> File(string format) =>
            await app.Client.GetByteArrayAsync(new Uri($"/api/ageing/file?by=owner&format={format}", UriKind.Relative));
        System.Text.Encoding.UTF8.GetString(await File("csv")).ShouldContain($"Total,GBP,");
        System.Text.Encoding.UTF8.GetString(await File("csv")).ShouldContain($",{total}\r\n");
        using var pdf = PdfDocument.Open(await File("pdf"));
        string.Concat(pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text))
            .ShouldContain(
                decimal.Parse(total, CultureInfo.InvariantCulture).ToString("N2", CultureInfo.InvariantCulture)
            );
        Formats
            .XlsxFile.Read(await File("xlsx"))
            .Rows.SelectMany(r => r.Values!)
            .ShouldContain(total.TrimEnd('0').TrimEnd('.'));
    }
}
