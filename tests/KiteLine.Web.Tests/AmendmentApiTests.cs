using System.Net.Http.Json;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Posted invoices amended: 3,650.00 of forty days ago at 2/10 n/30 and 10 % a year, which is 1.00 a day. All values worked
/// by hand.
/// </summary>
public sealed class AmendmentApiTests : IDisposable
{
    private readonly TestApp _app = new();
    private readonly long _document;
    private readonly long _entry;

    public AmendmentApiTests()
    {
        (_document, _entry) = _app.Books.Write(
            "tests",
            tx =>
            {
                tx.ActingOn = Today.AddDays(-40);
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    "TEN",
                    "Ten",
                    new LateChargePolicy { Rates = [new(new(2000, 1, 1), 10)], DayCount = DayCount.Of("act/365f") },
                    0
                );
                var account = AccountStore.Open(
                    tx,
                    new("Pellworm Sail Loft", Limit: 100_000, Terms: "2/10 n/30", LateChargePolicy: "TEN")
                );
                var posted = InvoiceDesk.Post(
                    tx,
                    account,
                    new("INV-1", Today.AddDays(-40), new(Gbp(3650), Gbp(0), Gbp(0)), null, "", null, null)
                );
                return (
                    DocumentStore.OfItem(tx.Connection, account, ItemOf(tx, posted.EntryId))!.Value.Id,
                    posted.EntryId
                );
            }
        );
    }

    public void Dispose()
    {
        _app.Books.Read(c => Verifier.Check(c)).ShouldBeEmpty();
        _app.Dispose();
    }

    private DateOnly Today => _app.Desk.Today();

    private string Day(int after) => Today.AddDays(after).ToString("yyyy-MM-dd");

    private static Money Gbp(decimal amount) => Money.Exact(amount, Currency.Of("GBP"));

    private static long ItemOf(Tx tx, long entry) =>
        Dapper.SqlMapper.ExecuteScalar<long>(
            tx.Connection,
            "SELECT item_id FROM movement WHERE entry_id = @entry",
            new { entry }
        );

    private async Task<JsonElement> Amended(object body)
    {
        var preview = await _app.Post($"/api/documents/{_document}/amendments?preview=true", body);
        preview.Status.ShouldBe(200, $"{preview.Body}");
        var (status, answer) = await _app.Post($"/api/documents/{_document}/amendments", body);
        status.ShouldBe(200, $"{answer}");
        // What was shown is what was posted.
        foreach (var part in new[] { "before", "after", "document", "journal" })
            answer.GetProperty(part).ToString().ShouldBe(preview.Body.GetProperty(part).ToString(), part);
        return answer;
    }

    private async Task<(string Discount, string LateCharges, string ToPay)> ToSettle(int after)
    {
        var s = await _app.Get($"/api/accounts/PEL01/settlement?on={Day(after)}");
        return (
            s.GetProperty("discount").GetString()!,
            s.GetProperty("lateCharges").GetString()!,
            s.GetProperty("toPay").GetString()!
        );
    }

    private async Task<string> Overdue(int after) =>
        (await _app.Get($"/api/accounts?asOf={Day(after)}"))
            .GetProperty("items")[0]
            .GetProperty("overdue")
            .GetString()!;

    private Task<(int Status, JsonElement Body)> Reverse(long entry) =>
        _app.Post($"/api/postings/{entry}/reverse", new { reason = "wrong" });

    [Fact]
    public async Task New_dates_and_discounts_hold_from_their_day_on_and_past_days_stay()
    {
        (await ToSettle(0)).ShouldBe(("0.00", "10.00", "3660.00"));
        (await ToSettle(-5)).ShouldBe(("0.00", "5.00", "3655.00"));
        (await Overdue(-1)).ShouldBe("3650.00");

        var effect = await Amended(new { terms = "3/45 n/60", reason = "agreed by telephone" });

        effect.GetProperty("journal").GetArrayLength().ShouldBe(0);
        effect.GetProperty("before").GetProperty("overdue").GetString().ShouldBe("3650.00");
        effect.GetProperty("after").GetProperty("overdue").GetString().ShouldBe("0.00");
        effect.GetProperty("document").GetProperty("discounts")[0].GetProperty("deadline").GetString().ShouldBe(Day(5));
        (await ToSettle(0)).ShouldBe(("109.50", "0.00", "3540.50"));
        (await ToSettle(-5)).ShouldBe(("0.00", "5.00", "3655.00"));
        // 3,650.00 less nothing, ten days after the new due date.
        (await ToSettle(30)).ShouldBe(("0.00", "10.00", "3660.00"));
        (await Overdue(0)).ShouldBe("0.00");
        (await Overdue(-1)).ShouldBe("3650.00");
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0];
        item.GetProperty("due").GetString().ShouldBe(Day(20));
        item.GetProperty("terms").GetString().ShouldBe("3/45 n/60");
    }

    [Fact]
    public async Task One_that_holds_from_an_earlier_day_changes_what_goes_by_value_alone()
    {
        await Amended(
            new
            {
                terms = "2/10 n/60",
                date = Day(-40),
                reason = "invoiced under the wrong terms",
            }
        );
        (await ToSettle(-5)).ShouldBe(("0.00", "0.00", "3650.00"));
        (await ToSettle(-35)).ShouldBe(("73.00", "0.00", "3577.00"));
        (await Overdue(-1)).ShouldBe("3650.00");
        // The page of an account of a past day says of its items what its position says.
        var item = (await _app.Get($"/api/accounts/PEL01?asOf={Day(-1)}")).GetProperty("items")[0];
        item.GetProperty("due").GetString().ShouldBe(Day(-10));
        item.GetProperty("daysOverdue").GetInt32().ShouldBe(9);
        var ageing = await _app.Get($"/api/ageing?asOf={Day(-1)}&by=account");
        ageing.GetProperty("items")[0].GetProperty("ageing")[1].GetProperty("amount").GetString().ShouldBe("3650.00");
        (await _app.Get($"/api/ageing?asOf={Day(0)}&by=account"))
            .GetProperty("items")[0]
            .GetProperty("ageing")[0]
            .GetProperty("amount")
            .GetString()
            .ShouldBe("3650.00");
    }

    [Fact]
    public async Task A_charge_of_days_that_are_no_longer_late_is_corrected()
    {
        var charged = await _app.Post("/api/accounts/PEL01/late-charges", new { through = Day(0) });
        charged.Status.ShouldBe(200, $"{charged.Body}");
        (await ToSettle(0)).ShouldBe(("0.00", "0.00", "3660.00"));
        // A book that somebody still reads is not changed by it.
        var read = _app.Desk.Snapshots.Current.Find("PEL01")!;
        var due = read.Items[0].Due;
        await Amended(new { terms = "n/60", reason = "agreed" });
        read.Items[0].Due.ShouldBe(due);
        // The ten days that were charged are not late any more.
        (await ToSettle(0)).ShouldBe(("0.00", "-10.00", "3650.00"));
    }

    [Fact]
    public async Task It_is_printed_again_as_amended_and_its_reversal_brings_back_what_was()
    {
        var effect = await Amended(
            new
            {
                discount = new { percent = "4", days = 45 },
                date = Day(-2),
                reason = "goodwill",
            }
        );
        var text = await Printed();
        text.ShouldContain($"Amended on {Exactly.Day(Today.AddDays(-2))}");
        text.ShouldContain("146.00");
        var ubl = await _app.Client.GetStringAsync(new Uri($"/api/documents/{_document}/ubl", UriKind.Relative));
        ubl.ShouldContain($"Amended on {Exactly.Day(Today.AddDays(-2))}");
        var rows = await _app.Get("/api/accounts/PEL01/ledger");
        var row = rows.EnumerateArray().First(r => r.GetProperty("kind").GetString() == "amendment");
        row.GetProperty("number").GetString().ShouldBe("INV-1");
        row.GetProperty("change").GetString().ShouldBe("0.00");

        (await Reverse(effect.GetProperty("entryId").GetInt64())).Status.ShouldBe(200);

        (await ToSettle(0)).ShouldBe(("0.00", "10.00", "3660.00"));
        (await Printed()).ShouldNotContain("Amended");
        (await Overdue(0)).ShouldBe("3650.00");
    }

    [Fact]
    public async Task What_builds_on_it_is_reversed_first()
    {
        var first = (await Amended(new { terms = "3/45 n/60", reason = "agreed" })).GetProperty("entryId").GetInt64();
        var second = (await Amended(new { terms = "3/45 n/90", reason = "agreed again" }))
            .GetProperty("entryId")
            .GetInt64();
        (await Reverse(first)).Body.GetProperty("detail").GetString()!.ShouldContain("n/90");
        (await Reverse(_entry)).Body.GetProperty("detail").GetString()!.ShouldContain("reverse that first");
        var items = await _app.Get("/api/accounts/PEL01");
        var paid = await _app.Post(
            "/api/accounts/PEL01/receipts",
            new
            {
                cash = "3540.50",
                valueDate = Day(0),
                items = new[] { new { id = items.GetProperty("items")[0].GetProperty("id").GetInt64() } },
            }
        );
        paid.Status.ShouldBe(200, $"{paid.Body}");
        paid.Body.GetProperty("payment")[0].GetProperty("discount").GetString().ShouldBe("109.50");
        (await Reverse(second))
            .Body.GetProperty("detail")
            .GetString()!
            .ShouldContain(paid.Body.GetProperty("number").GetString()!);
        (await Reverse(paid.Body.GetProperty("entryId").GetInt64())).Status.ShouldBe(200);
        (await Reverse(second)).Status.ShouldBe(200);
        (await ToSettle(0)).ShouldBe(("109.50", "0.00", "3540.50"));
        (await Reverse(first)).Status.ShouldBe(200);
        (await ToSettle(0)).ShouldBe(("0.00", "10.00", "3660.00"));
        (await Reverse(_entry)).Status.ShouldBe(200);
    }

    public static TheoryData<string, string, string> Wrong =>
        new()
        {
            { """{"terms":"n/60"}""", "reason", "reason" },
            { """{"terms":"2/10 n/30","reason":"x"}""", "terms", "already" },
            { """{"terms":"50% 10, rest 30","reason":"x"}""", "terms", "write it again" },
            { """{"terms":"2/10 n","reason":"x"}""", "terms", "" },
            { """{"terms":"n/60","date":"TOMORROW","reason":"x"}""", "date", "business date" },
            { """{"terms":"n/60","date":"2000-01-01","reason":"x"}""", "date", "invoice date" },
            { """{"terms":"n/60","date":"yesterday or so","reason":"x"}""", "date", "" },
            { """{"discount":{"percent":"3"},"reason":"x"}""", "discount.days", "days" },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_cannot_be_is_named_by_its_field(string body, string field, string said)
    {
        var before = await _app.Get("/api/accounts/PEL01/ledger");
        var (status, answer) = await _app.Post(
            $"/api/documents/{_document}/amendments",
            body.Replace("TOMORROW", Day(1), StringComparison.Ordinal)
        );
        status.ShouldBe(400, $"{answer}");
        answer.GetProperty("errors").GetProperty(field)[0].GetString()!.ShouldContain(said);
        (await _app.Get("/api/accounts/PEL01/ledger")).ToString().ShouldBe(before.ToString());
    }

    [Fact]
    public async Task A_settled_invoice_and_a_credit_note_are_not_amended()
    {
        var credit = await _app.Post("/api/accounts/PEL01/credit-notes", new { net = "3650", invoice = "INV-1" });
        credit.Status.ShouldBe(200, $"{credit.Body}");
        (await Refused(_document)).ShouldContain("Nothing of INV-1 is open");
        var documents = await _app.Get("/api/accounts/PEL01/documents");
        var id = documents
            .GetProperty("items")
            .EnumerateArray()
            .First(d => d.GetProperty("kind").GetString() == "creditNote")
            .GetProperty("id")
            .GetInt64();
        (await Refused(id)).ShouldContain("credit note");

        async Task<string> Refused(long document)
        {
            var (status, answer) = await _app.Post(
                $"/api/documents/{document}/amendments",
                new { terms = "n/60", reason = "x" }
            );
            status.ShouldBe(400);
            return answer.GetProperty("errors").GetProperty("document")[0].GetString()!;
        }
    }

    /// <summary>3 % within 45 days are 109.50 more than the customer's own terms give then; with no more it is let go.</summary>
    [Theory]
    [InlineData("109.49", 400)]
    [InlineData("109.50", 200)]
    public async Task Better_terms_are_measured_by_the_authority_for_discounts(string authority, int expected)
    {
        var key = _app.Books.Write(
            "tests",
            tx =>
            {
                var junior = UserStore.Add(
                    tx,
                    new()
                    {
                        Name = "junior",
                        FullName = "J. Unior",
                        Role = Role.Controller,
                        Authority = new(
                            0,
                            0,
                            decimal.Parse(authority, System.Globalization.CultureInfo.InvariantCulture),
                            0
                        ),
                    },
                    UserStore.Find(tx.Connection, "tester")!.Value.PasswordHash
                );
                return junior.Name;
            }
        );
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Add("Cookie", _app.Cookie(key));
        using var response = await client.PostAsJsonAsync(
            new Uri($"/api/documents/{_document}/amendments", UriKind.Relative),
            new { terms = "3/45 n/60", reason = "agreed" }
        );
        ((int)response.StatusCode).ShouldBe(expected, await response.Content.ReadAsStringAsync());
    }

    private async Task<string> Printed()
    {
        var pdf = await _app.Client.GetByteArrayAsync(new Uri($"/api/documents/{_document}/pdf", UriKind.Relative));
        using var read = PdfDocument.Open(pdf);
        return string.Join(' ', read.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));
    }
}
