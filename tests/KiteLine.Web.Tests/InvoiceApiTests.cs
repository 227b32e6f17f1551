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

    /// <summary>Lines of 370.00, 130.00 and 25.00 at 20 %: 630.00. The right one lacks the carriage: 600.00.</summary>
    [Fact]
    public async Task A_wrong_invoice_is_reversed_and_written_again_from_its_lines_in_one_step()
    {
        var wrong = await Posted(
            "invoices",
            new
            {
                number = "A-1",
                lines = Lines,
                terms = "3/7 n/45",
                reference = "PO 7",
                date = Day(-3),
            }
        );
        var entry = wrong.GetProperty("entryId").GetInt64();
        var rows = (await _app.Get("/api/accounts/PEL01/documents")).GetProperty("items");
        rows[0].GetProperty("canWriteAgain").GetBoolean().ShouldBeTrue();
        var posted = await _app.Get($"/api/documents/{rows[0].GetProperty("id").GetInt64()}");
        posted.GetProperty("terms").GetString().ShouldBe("3/7 n/45");
        posted.GetProperty("reference").GetString().ShouldBe("PO 7");
        // What it was posted with is taken as it is read, but for the carriage.
        var again = new
        {
            number = "a-1",
            date = Day(-3),
            lines = posted.GetProperty("lines").EnumerateArray().Take(2).ToArray(),
            terms = posted.GetProperty("terms").GetString(),
            reference = posted.GetProperty("reference").GetString(),
            replaces = entry,
            reason = "the carriage is ours",
        };
        (await Refused("invoices", again with { reason = "" })).TryGetProperty("reason", out _).ShouldBeTrue();
        var (_, shown) = await _app.Post("/api/accounts/PEL01/invoices?preview=true", again);
        var right = await Posted("invoices", again);

        right.GetProperty("number").GetString().ShouldBe("a-1");
        right.GetProperty("before").GetProperty("exposure").GetString().ShouldBe("630.00");
        right.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("600.00");
        foreach (var part in new[] { "journal", "before", "after", "document", "warnings", "check" })
            right.GetProperty(part).ToString().ShouldBe(shown.GetProperty(part).ToString(), part);
        Journals
            .Journal(right)
            .ShouldBe([
                "receivables -630.00",
                "sales 525.00",
                "outputTax 105.00",
                "receivables 600.00",
                "sales -500.00",
                "outputTax -100.00",
            ]);
        // The wrong one is no duplicate: it is gone with the same step.
        right.GetProperty("warnings").GetArrayLength().ShouldBe(0);
        rows = (await _app.Get("/api/accounts/PEL01/documents")).GetProperty("items");
        rows.GetArrayLength().ShouldBe(1);
        rows[0].GetProperty("gross").GetString().ShouldBe("600.00");
        _app.Books.Read(c => Verifier.Check(c)).ShouldBeEmpty();
    }

    [Fact]
    public async Task An_invoice_that_was_paid_is_not_written_again_and_one_of_an_order_stays_of_it()
    {
        var paid = await Posted("invoices", new { net = "100" });
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0].GetProperty("id").GetInt64();
        await Posted(
            "receipts",
            new
            {
                cash = "40",
                valueDate = Day(0),
                items = new[] { new { id = item } },
            }
        );
        (
            await Refused(
                "invoices",
                new
                {
                    net = "90",
                    replaces = paid.GetProperty("entryId").GetInt64(),
                    reason = "x",
                }
            )
        ).GetProperty("entry")[0].GetString()!.ShouldContain("reverse that first");
        (
            await Refused(
                "invoices",
                new
                {
                    net = "90",
                    replaces = 999_999,
                    reason = "x",
                }
            )
        ).GetProperty("replaces")[0].GetString()!.ShouldContain("invoice of this account");

        var (status, order) = await _app.Post("/api/accounts/PEL01/orders", new { number = "SO-1", total = "500" });
        status.ShouldBe(200, $"{order}");
        var id = order.GetProperty("order").GetProperty("id").GetInt64();
        var wrong = await Posted("invoices", new { net = "500", orderId = id });
        var again = await Posted(
            "invoices",
            new
            {
                net = "450",
                replaces = wrong.GetProperty("entryId").GetInt64(),
                reason = "a discount was forgotten",
            }
        );
        // 50.00 of the order are approved and not invoiced again.
        var left = (await _app.Get($"/api/orders/{id}")).GetProperty("order").GetProperty("notInvoiced").GetString();
        left.ShouldBe("50.00", $"{again}");
    }

    /// <summary>
    /// Under a limit of 1,000.00, 900.00 of it used: 950.00 in its place fit, 1,010.00 are over it by 10.00, and 800.00 ask for
    /// nothing.
    /// </summary>
    [Theory]
    [InlineData("950", "tell")]
    [InlineData("1010", "refuse")]
    [InlineData("800", null)]
    public async Task The_check_judges_what_the_right_invoice_adds_to_the_wrong_one(string net, string? expected)
    {
        _app.Books.Write("tests", tx => AccountStore.Open(tx, new("Harwell Lofts", Limit: 1000, Terms: "n/30")));
        var (_, wrong) = await _app.Post("/api/accounts/HAR01/invoices", new { net = "900" });
        var (status, answer) = await _app.Post(
            "/api/accounts/HAR01/invoices?preview=true",
            new
            {
                net,
                replaces = wrong.GetProperty("entryId").GetInt64(),
                reason = "one rope more",
            }
        );
        status.ShouldBe(200, $"{answer}");
        var check = answer.GetProperty("check");
        (check.ValueKind == JsonValueKind.Null ? null : check.GetProperty("answer").GetString()).ShouldBe(expected);
        if (expected == "refuse")
            check.ToString().ShouldContain("10.00");
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

        // Also where a line names a tax code: the certificate is of the customer, not of the line.
        async Task<string> OfCode(int day)
        {
            var shown = await Posted(
                "invoices?preview=true",
                new
                {
                    date = Day(day),
                    lines = new[]
                    {
                        new
                        {
                            text = "Rope",
                            net = "100",
                            taxCode = "STD",
                        },
                    },
                }
            );
            return $"{shown.GetProperty("document").GetProperty("tax")}";
        }

        (await OfCode(-1)).ShouldBe("0.00");
        (await OfCode(0)).ShouldBe("20.00");
    }

    [Fact]
    public async Task The_effect_names_the_account_of_the_control_group_that_is_posted()
    {
        _app.Books.Write(
            "tests",
            tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    company.Settings with
                    {
                        ControlGroups = [new("HOME", "Home", "1101")],
                    },
                    company.Version
                );
                var account = AccountStore.Get(tx.Connection, "PEL01");
                AccountStore.Change(
                    tx,
                    account with
                    {
                        Profile = account.Profile with { ControlGroup = "HOME" },
                    },
                    "as agreed"
                );
                return 0;
            }
        );
        static string[] Accounts(JsonElement effect) =>
            [.. effect.GetProperty("journal").EnumerateArray().Select(l => l.GetProperty("account").GetString()!)];
        var body = new { net = "100", tax = "20" };
        string[] expected = ["1101", "4000", "2200"];
        Accounts(await Posted("invoices?preview=true", body)).ShouldBe(expected);
        var posted = await Posted("invoices", body);
        Accounts(posted).ShouldBe(expected);
        var entry = posted.GetProperty("entryId").GetInt64();
        _app.Books.Read(c => LedgerView.Journal(c, entry)).Select(l => l.Account).ShouldBe(expected);
        var (_, reversal) = await _app.Post($"/api/postings/{entry}/reverse?preview=true", new { reason = "wrong" });
        Accounts(reversal).ShouldBe(expected);
    }

    /// <summary>
    /// 1,478.00 for 1,000.00, of which 20.00 are offered, and 500.00: named, they match within the allowance of 5.00 with the
    /// discount; those that were proposed as merely the oldest are filled one by one, and 22.00 stay open.
    /// </summary>
    [Theory]
    [InlineData(true, "1000.00 0.00 0.00 0.00, 478.00 0.00 0.00 22.00")]
    [InlineData(false, "980.00 20.00 0.00 0.00, 498.00 0.00 2.00 0.00")]
    [InlineData(null, "980.00 20.00 0.00 0.00, 498.00 0.00 2.00 0.00")]
    public async Task Items_that_are_merely_the_oldest_are_filled_and_others_are_named(bool? filled, string expected)
    {
        _app.Books.Write(
            "tests",
            tx =>
            {
                var company = CompanyStore.Get(tx.Connection);
                var settings = company.Settings with { Allowance = new(5, 10) };
                return CompanyStore.Change(tx, settings, company.Version);
            }
        );
        await Posted("invoices", new { net = "1000", terms = "2/10 n/30" });
        await Posted("invoices", new { net = "500", terms = "n/30" });
        var items = (await _app.Get("/api/accounts/PEL01")).GetProperty("items").EnumerateArray();
        var shown = await Posted(
            "receipts?preview=true",
            new
            {
                cash = "1478",
                valueDate = Day(0),
                items = items.Select(i => new { id = i.GetProperty("id").GetInt64() }).ToArray(),
                filled,
            }
        );
        string.Join(
                ", ",
                shown
                    .GetProperty("payment")
                    .EnumerateArray()
                    .Select(l =>
                        $"{l.GetProperty("cash")} {l.GetProperty("discount")} {l.GetProperty("writeOff")} "
                        + $"{l.GetProperty("staysOpen")}"
                    )
            )
            .ShouldBe(expected);
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
