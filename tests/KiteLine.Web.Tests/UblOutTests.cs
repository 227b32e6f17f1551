using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>What goes out as an electronic document comes in elsewhere as the same.</summary>
public sealed class UblOutTests : IDisposable
{
    private readonly TestApp _here = new();
    private readonly TestApp _there = new();

    public UblOutTests()
    {
        foreach (var app in new[] { _here, _there })
            app.Books.Write(
                "tests",
                tx =>
                {
                    PolicyStore.Save(
                        tx,
                        PolicyKind.TaxCode,
                        "STD",
                        "Standard",
                        new TaxCode { Rates = [new(new(2000, 1, 1), 20, [new("State", 15), new("City", 5)])] },
                        0
                    );
                    return AccountStore.Open(
                        tx,
                        new("Pellworm Sail Loft", "PEL01", Limit: 100_000, Terms: "2/10 n/30", TaxCode: "STD")
                    );
                }
            );
    }

    public void Dispose()
    {
        _here.Dispose();
        _there.Dispose();
    }

    private async Task<JsonElement> Again(string what, object body)
    {
        (await _here.Post($"/api/accounts/PEL01/{what}", body)).Status.ShouldBe(200);
        var id = (await _here.Get("/api/accounts/PEL01/documents"))
            .GetProperty("items")[0]
            .GetProperty("id")
            .GetInt64();
        var path = Path.Combine(_there.Folder, "out.xml");
        await File.WriteAllBytesAsync(
            path,
            await _here.Client.GetByteArrayAsync(new Uri($"/api/documents/{id}/ubl", UriKind.Relative))
        );
        using var progress = new StringWriter();
        using var answer = new StringWriter();
        new DocumentsCommand(progress, answer).Run([path], _there.Books, dryRun: false).ShouldBe(0, $"{answer}");
        return JsonDocument.Parse(answer.ToString()).RootElement.GetProperty("documents")[0];
    }

    [Fact]
    public async Task An_invoice_with_its_lines_taxes_discounts_and_due_date()
    {
        await Again(
            "invoices",
            new
            {
                number = "INV-1",
                reference = "PO 9",
                discount = new { percent = "3", days = 7 },
                lines = new object[]
                {
                    new
                    {
                        text = "Rope & twine",
                        quantity = "7",
                        unitPrice = "1.495",
                    },
                    new
                    {
                        text = "Discount",
                        quantity = "1",
                        unitPrice = "-2",
                    },
                    new
                    {
                        text = "Book",
                        unitPrice = "12",
                        taxCode = "",
                    },
                },
            }
        );
        var here = (await _here.Get("/api/accounts/PEL01")).GetProperty("items")[0];
        var there = (await _there.Get("/api/accounts/PEL01")).GetProperty("items")[0];
        // By hand: 10.47 − 2.00 + 12.00 = 20.47; 20 % of 8.47 is 1.694, so 1.69; 3 % of 22.16 is 0.66.
        foreach (var item in new[] { here, there })
            $"{item.GetProperty("open")} {item.GetProperty("discountToday")} {item.GetProperty("reference")}".ShouldBe(
                "22.16 0.66 PO 9"
            );
        there.GetProperty("due").GetString().ShouldBe(here.GetProperty("due").GetString());
        there
            .GetProperty("discounts")[0]
            .GetProperty("deadline")
            .GetString()
            .ShouldBe(here.GetProperty("discounts")[0].GetProperty("deadline").GetString());
    }

    [Fact]
    public async Task A_document_of_totals_alone()
    {
        var seen = await Again(
            "invoices",
            new
            {
                number = "INV-1",
                net = "100",
                tax = "20",
            }
        );
        $"{seen.GetProperty("net")} {seen.GetProperty("tax")} {seen.GetProperty("gross")}".ShouldBe(
            "100.00 20.00 120.00"
        );
    }

    [Fact]
    public async Task A_credit_note()
    {
        var seen = await Again(
            "credit-notes",
            new { number = "CRN-1", lines = new[] { new { text = "Back", net = "50" } } }
        );
        $"{seen.GetProperty("type")} {seen.GetProperty("gross")}".ShouldBe("credit 60.00");
        (await _there.Get("/api/accounts/PEL01"))
            .GetProperty("items")[0]
            .GetProperty("open")
            .GetString()
            .ShouldBe("-60.00");
    }
}
