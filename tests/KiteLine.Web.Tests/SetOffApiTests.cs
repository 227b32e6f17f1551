using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Credits that are set against open items after both are in the books.</summary>
public sealed class SetOffApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public SetOffApiTests() =>
        _app.Books.Write("tests", tx => AccountStore.Open(tx, new("Pellworm Sail Loft", "PEL01", Limit: 9000)));

    public void Dispose() => _app.Dispose();

    private async Task<JsonElement> Posted(string what, object body)
    {
        var (status, answer) = await _app.Post($"/api/accounts/PEL01/{what}", body);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    private async Task<Dictionary<string, (long Id, string Open)>> Items() =>
        (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .ToDictionary(
                i => i.GetProperty("document").GetString()!,
                i => (i.GetProperty("id").GetInt64(), i.GetProperty("open").GetString()!)
            );

    [Fact]
    public async Task A_credit_note_and_cash_on_account_settle_items_and_can_be_taken_back()
    {
        await Posted("invoices", new { number = "INV-1", net = "100" });
        await Posted("invoices", new { number = "INV-2", net = "40" });
        await Posted("credit-notes", new { number = "CRN-1", net = "60" });
        await Posted(
            "receipts",
            new
            {
                cash = "30",
                valueDate = $"{_app.Desk.Today():yyyy-MM-dd}",
                items = Array.Empty<object>(),
            }
        );
        var items = await Items();
        var exposure = (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("position")
            .GetProperty("exposure")
            .ToString();
        var body = new
        {
            credit = items["CRN-1"].Id,
            items = new[]
            {
                new { item = items["INV-1"].Id, amount = "25" },
                new { item = items["INV-2"].Id, amount = "35.00" },
            },
        };
        (await Posted("set-offs?preview=true", body)).GetProperty("journal").GetArrayLength().ShouldBe(0);
        var done = await Posted("set-offs", body);
        var after = await Items();
        // By hand: 100 − 25, 40 − 35, and nothing is left of the credit note.
        after
            .Where(i => i.Value.Open[0] != '-')
            .Select(i => $"{i.Key} {i.Value.Open}")
            .Order()
            .ShouldBe(["INV-1 75.00", "INV-2 5.00"]);
        after.Keys.ShouldNotContain("CRN-1");
        (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("position")
            .GetProperty("exposure")
            .ToString()
            .ShouldBe(exposure);
        var receipt = after.Single(i => i.Value.Open[0] == '-');
        var cash = await Posted(
            "set-offs",
            new { credit = receipt.Value.Id, items = new[] { new { item = after["INV-2"].Id, amount = "5" } } }
        );
        cash.GetProperty("journal")
            .EnumerateArray()
            .Select(l => $"{l.GetProperty("purpose")} {l.GetProperty("debit")} {l.GetProperty("credit")}")
            .ShouldBe(["cashOnAccount 5.00 ", "receivables  5.00"]);
        foreach (var posting in new[] { cash, done })
            (
                await _app.Post(
                    $"/api/postings/{posting.GetProperty("entryId")}/reverse",
                    new { reason = "wrong item" }
                )
            ).Status.ShouldBe(200);
        (await Items()).OrderBy(i => i.Key).ShouldBe(items.OrderBy(i => i.Key));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task What_cannot_be_set_off_is_told_by_its_field()
    {
        await Posted("invoices", new { number = "INV-1", net = "100" });
        await Posted("credit-notes", new { number = "CRN-1", net = "60" });
        var items = await Items();
        var (debit, credit) = (items["INV-1"].Id, items["CRN-1"].Id);
        async Task<string> Refused(object body)
        {
            var (status, answer) = await _app.Post("/api/accounts/PEL01/set-offs", body);
            status.ShouldBe(400);
            return answer.GetProperty("errors").EnumerateObject().ShouldHaveSingleItem().Name;
        }

        object One(long item, string amount) => new[] { new { item, amount } };
        (await Refused(new { credit, items = One(debit, "60.01") })).ShouldBe("items[0].amount");
        (await Refused(new { credit, items = One(debit, "0") })).ShouldBe("items[0].amount");
        (await Refused(new { credit, items = One(credit, "1") })).ShouldBe("items[0].item");
        (await Refused(new { credit, items = One(99, "1") })).ShouldBe("items[0].item");
        (await Refused(new { credit = debit, items = One(debit, "1") })).ShouldBe("credit");
        (await Refused(new { credit, items = Array.Empty<object>() })).ShouldBe("items");
        (
            await Refused(
                new { credit, items = new[] { new { item = debit, amount = "1" }, new { item = debit, amount = "2" } } }
            )
        ).ShouldBe("items[1].item");
        (
            await Refused(
                new
                {
                    credit,
                    items = One(debit, "1"),
                    valueDate = $"{_app.Desk.Today().AddDays(1):yyyy-MM-dd}",
                }
            )
        ).ShouldBe("valueDate");
        (
            await Refused(
                new
                {
                    credit,
                    items = One(debit, "1"),
                    valueDate = $"{_app.Desk.Today().AddDays(-1):yyyy-MM-dd}",
                }
            )
        ).ShouldBe("valueDate");
        (await Items()).OrderBy(i => i.Key).ShouldBe(items.OrderBy(i => i.Key));
    }
}
