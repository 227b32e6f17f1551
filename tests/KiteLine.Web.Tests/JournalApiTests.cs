using System.Text.Json;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// The journal of the books that cash tests start from: invoices of 1,000, 500 and 300, of which 1,000 is paid with 980
/// inside the discount's window.
/// </summary>
public sealed class JournalApiTests : IDisposable
{
    private readonly CashBooks _cash = new();

    public void Dispose() => _cash.Dispose();

    private async Task<string[]> Balances(string query)
    {
        var answer = await _cash.App.Get($"/api/journal/balances?{query}");
        return
        [
            .. answer
                .GetProperty("items")
                .EnumerateArray()
                .Select(b =>
                    $"{b.GetProperty("account")} {b.GetProperty("opening")} {b.GetProperty("debits")} "
                    + $"{b.GetProperty("credits")} {b.GetProperty("closing")} {b.GetProperty("effect")}"
                ),
        ];
    }

    private async Task<string> File(string path) =>
        await _cash.App.Client.GetStringAsync(new Uri(path, UriKind.Relative));

    private async Task Paid()
    {
        var item = await _cash.Item("PEL01", "INV-1001");
        await _cash.Done(
            "/api/accounts/PEL01/receipts",
            new
            {
                cash = "980",
                valueDate = "2026-03-10",
                items = new[] { new { id = item } },
            }
        );
    }

    [Fact]
    public async Task Balances_say_opening_movement_closing_and_what_the_result_is()
    {
        _cash.Today(17);
        await Paid();
        // Posted on the 16th: invoices of 1,800; on the 17th 980 and 20 of discount.
        (await Balances("from=2026-03-16&to=2026-03-16")).ShouldBe([
            "1100 0.00 1800.00 0.00 1800.00 0.00",
            "4000 0.00 0.00 1800.00 -1800.00 1800.00",
        ]);
        (await Balances("from=2026-03-17&to=2026-03-31")).ShouldBe([
            "1100 1800.00 0.00 1000.00 800.00 0.00",
            "1200 0.00 980.00 0.00 980.00 0.00",
            "4000 -1800.00 0.00 0.00 -1800.00 0.00",
            "4900 0.00 20.00 0.00 20.00 -20.00",
        ]);
        var sum = (await _cash.App.Get("/api/journal/balances?from=2026-03-17&to=2026-03-31")).GetProperty("sums")[0];
        string.Join(' ', new[] { "debits", "credits", "closing", "result" }.Select(f => $"{sum.GetProperty(f)}"))
            .ShouldBe("1000.00 1000.00 0.00 -20.00");
    }

    [Fact]
    public async Task A_reversal_takes_its_effect_back_on_its_own_day()
    {
        _cash.Today(17);
        await Paid();
        var lines = await _cash.App.Get("/api/journal/lines?from=2026-03-17&purpose=discountsAllowed");
        lines.GetProperty("total").GetInt64().ShouldBe(1);
        var line = lines.GetProperty("items")[0];
        $"{line.GetProperty("accountCode")} {line.GetProperty("number")} {line.GetProperty("debit")}".ShouldMatch(
            @"^PEL01 RCT-\d+ 20\.00$"
        );
        _cash.Today(18);
        await _cash.Done($"/api/postings/{line.GetProperty("entryId")}/reverse", new { reason = "wrong account" });
        (await Balances("from=2026-03-18&to=2026-03-18")).ShouldBe([
            "1100 800.00 1000.00 0.00 1800.00 0.00",
            "1200 980.00 0.00 980.00 0.00 0.00",
            "4000 -1800.00 0.00 0.00 -1800.00 0.00",
            "4900 20.00 0.00 20.00 0.00 20.00",
        ]);
        // The day before stays as it was.
        (await Balances("from=2026-03-17&to=2026-03-17"))[3]
            .ShouldBe("4900 0.00 20.00 0.00 20.00 -20.00");
    }

    [Fact]
    public async Task Nothing_is_handed_over_twice_or_left_out()
    {
        var all = new List<string>();
        async Task HandOver(int number)
        {
            (await _cash.Done("/api/journal/hand-overs", new { })).GetProperty("id").GetInt64().ShouldBe(number);
            var file = await File($"/api/journal/hand-overs/{number}/file?format=csv");
            all.AddRange(file.Split('\n', StringSplitOptions.RemoveEmptyEntries)[1..]);
        }

        await HandOver(1);
        (await _cash.App.Refused("/api/journal/hand-overs", new { })).ShouldBe(["journal"]);
        await Paid();
        (await _cash.App.Get("/api/journal/hand-overs")).GetProperty("waiting").GetInt64().ShouldBe(1);
        await HandOver(2);
        (await _cash.App.Get("/api/journal/hand-overs")).GetProperty("waiting").GetInt64().ShouldBe(0);
        // Whatever comes later, a file is the same again.
        var second = await File("/api/journal/hand-overs/2/file?format=csv");
        await _cash.Receipt("HAR01", "300", "INV-1010");
        (await File("/api/journal/hand-overs/2/file?format=csv")).ShouldBe(second);
        await HandOver(3);
        var whole = await File("/api/journal/export?format=csv&from=2026-01-01&to=2026-12-31");
        all.Order(StringComparer.Ordinal)
            .ShouldBe(whole.Split('\n', StringSplitOptions.RemoveEmptyEntries)[1..].Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("from=2026-04-01&to=2026-03-01", "from")]
    [InlineData("from=yesterday", "from")]
    [InlineData("purpose=nothing", "purpose")]
    [InlineData("currency=pounds", "currency")]
    public async Task What_is_wrong_with_a_question_is_named(string query, string field)
    {
        using var response = await _cash.App.Client.GetAsync(new Uri($"/api/journal/lines?{query}", UriKind.Relative));
        ((int)response.StatusCode).ShouldBe(400);
        JsonDocument
            .Parse(await response.Content.ReadAsStringAsync())
            .RootElement.GetProperty("errors")
            .EnumerateObject()
            .Select(e => e.Name)
            .ShouldBe([field]);
    }
}
