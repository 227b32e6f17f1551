using System.Text.Json;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Every rule that terms can hold is found again on an invoice that comes in under them, as the try-out showed it.
/// </summary>
public sealed class TermsOnInvoicesTests : IDisposable
{
    private readonly TestApp _app = new();

    public void Dispose() => _app.Dispose();

    public static TheoryData<string, string> Terms =>
        new()
        {
            { "n/30", "{}" },
            { "2/10 n/30", "{}" },
            { "3/7, 1/14 n/45", "{}" },
            { "n/30 EOM", "{}" },
            { "2/10 EOM n/60", "{}" },
            { "15 prox", "{}" },
            { "15 prox cut-off 25 +1m", "{}" },
            { "n/2m+5", "{}" },
            { "COD", "{}" },
            { "CIA", "{}" },
            { "40% now, rest 20", "{}" },
            { "25% now, 300.00 30, rest 60", "{}" },
            { "2/10, 50% 30, rest 60", "{}" },
            { "20.00 off/10 n/30", "{}" },
            { "2/10 n/30", """{"base":"net"}""" },
            { "2/10 n/30", """{"graceDays":4}""" },
            { "2/10 n/31", """{"businessDays":"next"}""" },
            { "2/10 n/31", """{"businessDays":"previous"}""" },
            { "2/10 n/30", """{"partPayments":true}""" },
            { "2/10 n/30", """{"creditNotesFollow":false,"base":"net","graceDays":2}""" },
        };

    [Theory]
    [MemberData(nameof(Terms))]
    public async Task What_was_tried_out_is_what_an_invoice_gets(string text, string conditions)
    {
        await _app.Post(
            "/api/policies/calendars",
            new
            {
                code = "YARD",
                name = "Yard",
                holidays = new[] { new { date = "2026-03-02", name = "Closed" } },
            }
        );
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/company",
                new
                {
                    name = "S",
                    defaultTerms = "n/30",
                    calendar = "YARD",
                },
                ("If-Match", "1")
            )
        ).Status.ShouldBe(200);
        var (status, policy) = await _app.Post(
            "/api/policies/terms",
            $$"""{"code":"RULE","name":"Rule","text":"{{text}}","conditions":{{conditions}}}"""
        );
        status.ShouldBe(200, policy.ToString());
        await _app.Post("/api/accounts", new { name = "Oxbow", terms = "RULE" });
        var (_, tried) = await _app.Post(
            "/api/calc/schedule",
            $$"""
            {"invoiceDate":"2026-01-29","currency":"GBP","net":"1000.00","tax":"200.00","terms":"{{text}}",
            "conditions":{{conditions}}}
            """
        );
        (
            await _app.Post(
                "/api/accounts/OXB01/opening-items",
                new
                {
                    document = "R-1",
                    date = "2026-01-29",
                    net = "1000.00",
                    tax = "200.00",
                }
            )
        ).Status.ShouldBe(200);

        var items = (await _app.Get("/api/accounts/OXB01?asOf=2026-01-29"))
            .GetProperty("items")
            .EnumerateArray()
            .ToArray();
        string Text(JsonElement e, string name) => e.GetProperty(name).GetString()!;
        items
            .Select(i => $"{Text(i, "due")} {Text(i, "open")}")
            .ShouldBe(
                tried.GetProperty("instalments").EnumerateArray().Select(i => $"{Text(i, "due")} {Text(i, "amount")}"),
                ignoreOrder: true
            );
        var offered = items
            .SelectMany(i => i.GetProperty("discounts").EnumerateArray())
            .GroupBy(d => Text(d, "deadline"))
            .Select(g =>
                $"{g.Key} {g.Sum(d => decimal.Parse(Text(d, "amount"), System.Globalization.CultureInfo.InvariantCulture))}"
            );
        offered.ShouldBe(
            tried.GetProperty("discounts").EnumerateArray().Select(d => $"{Text(d, "deadline")} {Text(d, "amount")}"),
            ignoreOrder: true
        );
        if (policy.GetProperty("conditions").GetProperty("graceDays").GetInt32() is > 0 and var grace)
            items
                .SelectMany(i => i.GetProperty("discounts").EnumerateArray())
                .ShouldAllBe(d => d.GetProperty("graceDays").GetInt32() == grace);

        // A new version leaves the invoice as it is.
        await _app.Send(
            HttpMethod.Put,
            "/api/policies/terms/RULE",
            """{"name":"Rule","text":"n/7"}""",
            ("If-Match", "1")
        );
        (await _app.Get("/api/accounts/OXB01?asOf=2026-01-29"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(i => i.ToString())
            .ShouldBe(items.Select(i => i.ToString()));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }
}
