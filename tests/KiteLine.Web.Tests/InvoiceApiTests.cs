using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Invoices and credit notes as they are posted through the interface, and the history that they make.</summary>
public sealed class InvoiceApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public InvoiceApiTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                PolicyStore.Save(
                    tx,
                    PolicyKind.TaxCode,
                    "STD",
                    "Standard",
                    new TaxCode { Rates = [new(new(2000, 1, 1), 20, [new("HMRC", 20)])] },
                    0
                );
                return AccountStore.Open(
                    tx,
                    new("Pellworm Sail Loft", Limit: 100_000, Terms: "2/10 n/30", TaxCode: "STD")
                );
            }
        );

    public void Dispose() => _app.Dispose();

    private DateOnly Today => _app.Desk.Today();

    private string Day(int after) => Today.AddDays(after).ToString("yyyy-MM-dd");

    private static readonly object[] Lines =
    [
        new
        {
            text = "Rope, 12 mm",
            quantity = "200",
            unitPrice = "1.85",
        },
        new { text = "Splicing", net = "130.00" },
        new
        {
            text = "Carriage",
            unitPrice = "25",
            discountable = false,
            freight = true,
        },
    ];

    private async Task<JsonElement> Posted(string what, object body)
    {
        var (status, answer) = await _app.Post($"/api/accounts/PEL01/{what}", body);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    private async Task<JsonElement> Refused(string what, object body)
    {
        var before = await _app.Get("/api/accounts/PEL01/ledger");
        var (status, answer) = await _app.Post($"/api/accounts/PEL01/{what}", body);
        status.ShouldBe(400, $"{answer}");
        (await _app.Get("/api/accounts/PEL01/ledger")).ToString().ShouldBe(before.ToString());
        return answer.GetProperty("errors");
    }

    /// <summary>Unique in the company for each kind, whatever the letter case; a reversal leaves the number free.</summary>
    [Fact]
    public async Task A_number_stands_once_in_the_company_for_each_kind_of_document()
    {
        _app.Books.Write("tests", tx => AccountStore.Open(tx, new("Harwell Lofts", Limit: 100_000, Terms: "n/30")));
        var first = await Posted("invoices", new { number = "Inv-7", net = "100" });
        async Task<string[]> Taken(string account, string what, string number)
        {
            var (status, answer) = await _app.Post($"/api/accounts/{account}/{what}", new { number, net = "55" });
            return status == 200
                ? []
                :
                [
                    .. answer
                        .GetProperty("errors")
                        .EnumerateObject()
                        .SelectMany(e => e.Value.EnumerateArray().Select(m => $"{e.Name}: {m}")),
                ];
        }
        const string Said =
            "number: The account PEL01 has a document ‘INV-7’ of this kind already; numbers are unique in the company.";
        (await Taken("HAR01", "invoices?preview=true", "INV-7")).ShouldBe([Said]);
        (await Taken("HAR01", "invoices", "INV-7")).ShouldBe([Said]);
        (await Taken("PEL01", "invoices", "INV-7")).ShouldBe(["number: The account has a document ‘INV-7’ already."]);
        // A credit note may have it.
        (await Taken("HAR01", "credit-notes", "INV-7")).ShouldBeEmpty();
        _app.Books.Write("tests", tx => AccountStore.Open(tx, new("Kestrel Tents", Limit: 100_000, Terms: "n/30")));
        (
            await _app.Post($"/api/postings/{first.GetProperty("entryId")}/reverse", new { reason = "wrong" })
        ).Status.ShouldBe(200);
        (await Taken("KES01", "invoices", "INV-7")).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_series_passes_over_numbers_that_documents_have_already()
    {
        var next = (await Posted("invoices", new { net = "10" })).GetProperty("number").GetString()!;
        var number = int.Parse(next[^5..], System.Globalization.CultureInfo.InvariantCulture);
        string Of(int n) => next[..^5] + n.ToString("00000", System.Globalization.CultureInfo.InvariantCulture);
        await Posted("invoices", new { number = Of(number + 1), net = "11" });
        (await Posted("invoices", new { net = "12" })).GetProperty("number").GetString().ShouldBe(Of(number + 2));
    }

    [Fact]
    public async Task A_likely_duplicate_and_an_unusual_date_are_named_before_it_is_posted()
    {
        static string[] Named(JsonElement answer) =>
            [
                .. answer
                    .GetProperty("warnings")
                    .EnumerateArray()
                    .Select(w => $"{w.GetProperty("code").GetString()} {w.GetProperty("document").GetString()}".Trim()),
            ];
        Named(
                await Posted(
                    "invoices",
                    new
                    {
                        number = "A-1",
                        net = "100",
                        reference = "PO 5",
                    }
                )
            )
            .ShouldBeEmpty();
        var again = new
        {
            number = "A-2",
            net = "100",
            reference = "po-5",
            date = Day(-61),
        };
        Named(await Posted("invoices?preview=true", again)).ShouldBe(["unusual-date", "likely-duplicate A-1"]);
        // It is named, and may be posted all the same.
        Named(await Posted("invoices", again)).ShouldBe(["unusual-date", "likely-duplicate A-1"]);
        Named(await Posted("credit-notes?preview=true", new { net = "100" })).ShouldBeEmpty();
        Named(await Posted("receipts", new { valueDate = Day(0), cash = "50" })).ShouldBeEmpty();
        Named(await Posted("receipts?preview=true", new { valueDate = Day(0), cash = "50" }))
            .ShouldHaveSingleItem()
            .ShouldStartWith("likely-duplicate ");
        Named(await Posted("receipts?preview=true", new { valueDate = "1900-01-01", cash = "50" }))
            .ShouldBe(["unusual-date"]);
    }

    [Fact]
    public async Task An_invoice_of_lines_shows_what_it_comes_to_before_it_is_posted()
    {
        var body = new { number = "INV-1", lines = Lines };
        var shown = (await Posted("invoices?preview=true", body)).GetProperty("document");
        // By hand: 200 × 1.85 + 130 + 25 = 525, 20 % of it 105; 2 % of 630 − 30 is 12.
        $"{shown.GetProperty("net")} {shown.GetProperty("tax")} {shown.GetProperty("gross")}".ShouldBe(
            "525.00 105.00 630.00"
        );
        shown
            .GetProperty("lineNets")
            .EnumerateArray()
            .Select(n => n.GetString())
            .ShouldBe(["370.00", "130.00", "25.00"]);
        var discount = shown.GetProperty("discounts")[0];
        $"{discount.GetProperty("deadline")} {discount.GetProperty("amount")} {discount.GetProperty("payable")}".ShouldBe(
            $"{Day(10)} 12.00 618.00"
        );
        $"{shown.GetProperty("instalments")[0].GetProperty("due")}".ShouldBe(Day(30));
        var posted = await Posted("invoices", body);
        posted.GetProperty("document").ToString().ShouldBe(shown.ToString());
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0];
        $"{item.GetProperty("open")} {item.GetProperty("discountToday")}".ShouldBe("630.00 12.00");
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task A_one_off_discount_takes_the_place_of_the_terms_on_this_invoice_alone()
    {
        await Posted(
            "invoices",
            new
            {
                number = "A",
                net = "1000",
                discount = new { percent = "5", days = 3 },
            }
        );
        await Posted(
            "invoices",
            new
            {
                number = "B",
                net = "1000",
                terms = "1/5 n/60",
            }
        );
        await Posted(
            "invoices",
            new
            {
                number = "C",
                net = "1000",
                discount = new { amount = "40", days = 0 },
            }
        );
        await Posted("invoices", new { number = "D", net = "1000" });
        var items = (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .OrderBy(i => i.GetProperty("number").GetString(), StringComparer.Ordinal)
            .Select(i =>
                $"{i.GetProperty("number")}: {i.GetProperty("terms")}, due {i.GetProperty("due")}, "
                + $"{i.GetProperty("discounts")[0].GetProperty("amount")} until "
                + $"{i.GetProperty("discounts")[0].GetProperty("deadline")}"
            );
        items.ShouldBe([
            $"A: 5/3 n/30, due {Day(30)}, 50.00 until {Day(3)}",
            $"B: 1/5 n/60, due {Day(60)}, 10.00 until {Day(5)}",
            $"C: 40.00 off/0 n/30, due {Day(30)}, 40.00 until {Day(0)}",
            $"D: 2/10 n/30, due {Day(30)}, 20.00 until {Day(10)}",
        ]);
        // They are terms of these invoices, and none of the company's.
        (await _app.Get("/api/policies/terms"))
            .EnumerateArray()
            .Select(t => t.GetProperty("code").GetString())
            .ShouldNotContain(t => t!.StartsWith("5/3") || t.StartsWith("1/5") || t.StartsWith("40"));
    }

    [Fact]
    public async Task What_an_invoice_cannot_be_is_told_by_its_field()
    {
        (await Refused("invoices", new { lines = Lines, net = "525" })).TryGetProperty("net", out _).ShouldBeTrue();
        (await Refused("invoices", new { lines = new[] { new { text = "Rope" } } }))
            .TryGetProperty("lines[0].unitPrice", out _)
            .ShouldBeTrue();
        (await Refused("invoices", new { lines = new[] { new { unitPrice = "2" } } }))
            .TryGetProperty("lines[0].text", out _)
            .ShouldBeTrue();
        (
            await Refused(
                "invoices",
                new
                {
                    lines = new[]
                    {
                        new
                        {
                            text = "Rope",
                            unitPrice = "2",
                            taxCode = "ODD",
                        },
                    },
                }
            )
        ).TryGetProperty("lines[0].taxCode", out _).ShouldBeTrue();
        (await Refused("invoices", new { lines = new[] { new { text = "Rope", unitPrice = "-2" } } }))
            .TryGetProperty("lines", out _)
            .ShouldBeTrue();
        (await Refused("invoices", new { lines = Enumerable.Repeat(Lines[0], 501) }))
            .TryGetProperty("lines", out _)
            .ShouldBeTrue();
        (await Refused("invoices", new { net = "10", notDiscountable = "11" }))
            .TryGetProperty("notDiscountable", out _)
            .ShouldBeTrue();
        (
            await Refused(
                "invoices",
                new
                {
                    net = "10",
                    discount = new
                    {
                        percent = "2",
                        amount = "1",
                        days = 3,
                    },
                }
            )
        ).TryGetProperty("discount", out _).ShouldBeTrue();
        (await Refused("invoices", new { net = "10", discount = new { percent = "2", days = 367 } }))
            .TryGetProperty("discount.days", out _)
            .ShouldBeTrue();
        (await Refused("invoices", new { net = "10", terms = "2 in 10" }))
            .TryGetProperty("terms", out _)
            .ShouldBeTrue();
    }

    [Fact]
    public async Task An_exempt_customer_is_not_taxed_while_its_certificate_holds()
    {
        var version = (await _app.Get("/api/accounts/PEL01/customer")).GetProperty("version").GetInt64();
        (
            await _app.Send(
                HttpMethod.Put,
                "/api/accounts/PEL01",
                new
                {
                    customer = new
                    {
                        exemption = new
                        {
                            reason = "Sea-going ships",
                            certificate = "Z 17",
                            until = Day(-1),
                        },
                    },
                    reason = "certificate seen",
                },
                ("If-Match", $"{version}")
            )
        ).Status.ShouldBe(200);
        async Task<string> Tax(int day)
        {
            var shown = await Posted("invoices?preview=true", new { date = Day(day), lines = Lines });
            return $"{shown.GetProperty("document").GetProperty("tax")}";
        }

        (await Tax(-1)).ShouldBe("0.00");
        (await Tax(0)).ShouldBe("105.00");
    }

    [Fact]
    public async Task A_credit_note_settles_the_invoice_that_it_names_and_reduces_its_discount()
    {
        await Posted(
            "invoices",
            new
            {
                number = "INV-1",
                date = Day(-2),
                lines = Lines,
            }
        );
        var note = new
        {
            number = "CRN-1",
            invoice = "INV-1",
            lines = new[] { new { text = "Rope returned", net = "100" } },
        };
        var shown = await Posted("credit-notes?preview=true", note);
        $"{shown.GetProperty("document").GetProperty("settled")[0].GetProperty("amount")}".ShouldBe("120.00");
        await Posted("credit-notes", note);
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0];
        // By hand: 630 − 120 = 510; 2 % of 510 − 30 is 9.60.
        $"{item.GetProperty("open")} {item.GetProperty("discountToday")}".ShouldBe("510.00 9.60");
        var account = (await _app.Get("/api/accounts/PEL01")).GetProperty("position");
        $"{account.GetProperty("exposure")}".ShouldBe("510.00");
        (await Refused("credit-notes", new { invoice = "INV-1", net = "510.01" }))
            .TryGetProperty("invoice", out _)
            .ShouldBeTrue();
        (await Refused("credit-notes", new { invoice = "INV-9", net = "1" }))
            .TryGetProperty("invoice", out _)
            .ShouldBeTrue();
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task Taking_a_credit_note_back_leaves_everything_as_it_was()
    {
        await Posted("invoices", new { number = "INV-1", lines = Lines });
        // What was done and undone stays on its life strip.
        async Task<string> Items() =>
            string.Join(
                ", ",
                (await _app.Get("/api/accounts/PEL01"))
                    .GetProperty("items")
                    .EnumerateArray()
                    .SelectMany(i =>
                        i.EnumerateObject().Where(p => p.Name != "changes").Select(p => $"{p.Name} {p.Value}")
                    )
            );
        var before = await Items();
        var note = await Posted("credit-notes", new { invoice = "INV-1", net = "200" });
        (await Items()).ShouldNotBe(before);
        (
            await _app.Post($"/api/postings/{note.GetProperty("entryId")}/reverse", new { reason = "wrong invoice" })
        ).Status.ShouldBe(200);
        (await Items()).ShouldBe(before);
        // The whole invoice can be credited again.
        await Posted("credit-notes?preview=true", new { invoice = "INV-1", net = "630" });
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task The_history_adds_up_to_the_same_by_document_and_by_line()
    {
        await Posted("invoices", new { number = "INV-1", lines = Lines });
        await Posted(
            "invoices",
            new
            {
                number = "INV-2",
                net = "80",
                tax = "16",
            }
        );
        await Posted(
            "invoices",
            new
            {
                number = "OLD",
                date = Day(-400),
                net = "1",
            }
        );
        await Posted(
            "credit-notes",
            new
            {
                number = "CRN-1",
                invoice = "INV-1",
                lines = new[] { new { text = "Back", net = "50" } },
            }
        );
        var taken = await Posted("invoices", new { number = "INV-3", net = "999" });
        await _app.Post($"/api/postings/{taken.GetProperty("entryId")}/reverse", new { reason = "twice" });
        var documents = (await _app.Get("/api/accounts/PEL01/documents"));
        var lines = (await _app.Get("/api/accounts/PEL01/document-lines?pageSize=1000"));
        // By hand: 525 + 80 − 50 and 105 + 16 − 10.
        foreach (var page in new[] { documents, lines })
            $"{page.GetProperty("net")} {page.GetProperty("tax")} {page.GetProperty("gross")}".ShouldBe(
                "555.00 111.00 666.00"
            );
        documents.GetProperty("total").GetInt64().ShouldBe(3);
        documents.GetProperty("items")[0].GetProperty("credits").GetString().ShouldBe("INV-1");
        var sum = lines
            .GetProperty("items")
            .EnumerateArray()
            .Sum(l => decimal.Parse(l.GetProperty("gross").GetString()!));
        sum.ShouldBe(666);
        foreach (var by in new[] { "document", "line" })
        {
            var file = await _app.Client.GetStringAsync(
                new Uri($"/api/accounts/PEL01/document-export?format=csv&by={by}", UriKind.Relative)
            );
            file.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length.ShouldBe(by == "document" ? 4 : 8);
        }
    }
}
