using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>A print of today is the same paper as that of the day on which a document was posted.</summary>
public sealed class ReprintTests : IDisposable
{
    private readonly TestApp _app = new();

    public ReprintTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                Policy(tx, "Late-payment interest", 12, 0);
                var opened = AccountStore.Open(
                    tx,
                    new("Pellworm Sail Loft", Limit: 100_000, Terms: "n/30", LateChargePolicy: "STD")
                );
                return AccountStore.Change(
                    tx,
                    opened with
                    {
                        Address = "1 Old Quay\nFalmouth",
                        Profile = opened.Profile with { Exemption = new("Sales for export", "C-77") },
                    },
                    "set up"
                );
            }
        );

    public void Dispose()
    {
        var off = _app.Books.Read(Verifier.Check);
        _app.Dispose();
        off.ShouldBeEmpty();
    }

    private static void Policy(Tx tx, string label, decimal rate, long version) =>
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "STD",
            "Standard",
            new LateChargePolicy
            {
                Label = label,
                DayCount = DayCount.Of("act/365f"),
                Rates = [new(new(2000, 1, 1), rate)],
            },
            version
        );

    private async Task<string> Text(string path)
    {
        using var pdf = PdfDocument.Open(await _app.Client.GetByteArrayAsync(new Uri(path, UriKind.Relative)));
        return string.Join(' ', pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));
    }

    // The customer moves and loses its exemption, the company moves and charges more, under another word.
    private void EverythingChanges() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                Policy(tx, "Service charge", 18, 1);
                var account = AccountStore.Get(tx.Connection, "PEL01");
                AccountStore.Change(
                    tx,
                    account with
                    {
                        Address = "9 New Street\nPenzance",
                        Profile = account.Profile with { Exemption = null },
                    },
                    "moved"
                );
                var company = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(
                    tx,
                    company.Settings with
                    {
                        Address = ["2 Harbour Row"],
                        LetterFoot = ["Pay to the new bank"],
                    },
                    company.Version,
                    "moved"
                );
            }
        );

    [Fact]
    public async Task An_invoice_printed_again_says_what_it_said()
    {
        object[] lines =
        [
            new
            {
                text = "Rope",
                quantity = "3",
                unitPrice = "12.5",
            },
            new
            {
                text = "Thimbles",
                quantity = "1000",
                unitPrice = "0.0275",
            },
        ];
        await _app.Post("/api/accounts/PEL01/invoices", new { number = "INV-1", lines });
        var id = (await _app.Get("/api/accounts/PEL01/documents")).GetProperty("items")[0].GetProperty("id").GetInt64();
        string[] papers = [$"/api/documents/{id}/pdf", $"/api/documents/{id}/ubl"];
        var before = (await Text(papers[0]), await _app.Client.GetStringAsync(new Uri(papers[1], UriKind.Relative)));
        before.Item1.ShouldContain("1 Old Quay");
        before.Item1.ShouldContain("Paid late, it bears late-payment interest: 12% a year");
        before.Item1.ShouldContain("No tax: Sales for export, certificate C-77.");
        // A price has the decimals of its currency at least.
        before.Item1.ShouldContain("12.50");
        before.Item1.ShouldContain("0.0275");
        EverythingChanges();
        (await Text(papers[0])).ShouldBe(before.Item1);
        (await _app.Client.GetStringAsync(new Uri(papers[1], UriKind.Relative))).ShouldBe(before.Item2);
        // The next one is printed on the new paper.
        await _app.Post("/api/accounts/PEL01/invoices", new { number = "INV-2", net = "10" });
        var items = (await _app.Get("/api/accounts/PEL01/documents")).GetProperty("items").EnumerateArray();
        var next = items.Single(d => d.GetProperty("number").GetString() == "INV-2").GetProperty("id").GetInt64();
        var after = await Text($"/api/documents/{next}/pdf");
        after.ShouldContain("9 New Street");
        after.ShouldContain("Pay to the new bank");
        after.ShouldContain("Paid late, it bears service charge: 18% a year");
        after.ShouldNotContain("No tax");
    }

    [Fact]
    public async Task The_history_shows_prices_with_the_decimals_of_the_currency()
    {
        object[] lines =
        [
            new
            {
                text = "Rope",
                quantity = "3",
                unitPrice = "12.5",
            },
        ];
        await _app.Post("/api/accounts/PEL01/invoices", new { lines });
        JsonElement row = (await _app.Get("/api/accounts/PEL01/document-lines")).GetProperty("items")[0];
        row.GetProperty("unitPrice").GetString().ShouldBe("12.50");
    }
}
