using System.Text.Json;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Journals;

namespace KiteLine.Web.Tests;

/// <summary>Cheques of 300 and 500 banked on one slip: 800 is what the bank is to credit.</summary>
public sealed class BankingApiTests : IDisposable
{
    private readonly CashBooks _cash = new();

    public void Dispose() => _cash.Dispose();

    private async Task<JsonElement> Slip()
    {
        var receipts = (await _cash.App.Get("/api/banking/receipts"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(r => r.GetProperty("posting").GetInt64());
        return (await _cash.Done("/api/banking/slips", new { account = CamtText.Own, receipts })).GetProperty("slip");
    }

    private async Task<(long First, long Second)> Cheques()
    {
        var first = await _cash.Receipt("HAR01", "300", "INV-1010", "CHQ");
        var second = await _cash.Receipt("PEL01", "500", "INV-1007", "CHQ");
        // What came by transfer is in the bank already.
        await _cash.Receipt("PEL01", "7", method: null);
        return (first.GetProperty("entryId").GetInt64(), second.GetProperty("entryId").GetInt64());
    }

    [Fact]
    public async Task A_slip_is_settled_by_the_line_that_credits_it()
    {
        await Cheques();
        var slip = await Slip();
        $"{slip.GetProperty("number")} {slip.GetProperty("receipts")} {slip.GetProperty("total")}".ShouldBe(
            "SLP-00001 2 800.00"
        );
        (await _cash.App.Get("/api/banking/receipts")).GetProperty("total").GetInt64().ShouldBe(0);
        (await _cash.Balance("bank", "1230")).ShouldBe("800.00");
        var lines = await _cash.Statement(800, CamtText.Entry(800, "PAYING IN"));
        var settles = (await _cash.App.Get("/api/bank/statements/1/lines"))
            .GetProperty("items")[0]
            .GetProperty("settles");
        settles.GetProperty("number").GetString().ShouldBe("SLP-00001");
        var effect = await _cash.Done(
            $"/api/bank/entries/{lines["R1"]}/clear",
            new { slip = slip.GetProperty("id").GetInt64() }
        );
        Journal(effect).ShouldBe(["bank 800.00", "bank -800.00"]);
        (await _cash.Balance("bank", "1230")).ShouldBe("0.00");
        // 7 by transfer and 800 by the slip.
        (await _cash.Balance("bank", "1200")).ShouldBe("807.00");
        var now = (await _cash.App.Get("/api/banking/slips/1")).GetProperty("slip");
        $"{now.GetProperty("credited")} {now.GetProperty("difference")}".ShouldBe("800.00 0.00");
    }

    [Fact]
    public async Task A_difference_is_explained_and_shown()
    {
        await Cheques();
        var slip = (await Slip()).GetProperty("id").GetInt64();
        var lines = await _cash.Statement(790, CamtText.Entry(790, "PAYING IN SLP-00001"));
        var path = $"/api/bank/entries/{lines["R1"]}/clear";
        (await _cash.App.Refused(path, new { slip })).ShouldBe(["reason"]);
        var effect = await _cash.Done(path, new { slip, reason = "a note counted twice" });
        Journal(effect).ShouldBe(["bank 790.00", "smallDifferences 10.00", "bank -800.00"]);
        var now = (await _cash.App.Get("/api/banking/slips/1")).GetProperty("slip");
        $"{now.GetProperty("credited")} {now.GetProperty("difference")}".ShouldBe("790.00 -10.00");
    }

    [Fact]
    public async Task What_is_reversed_before_the_bank_credits_it_stays_on_the_slip_and_lessens_what_is_expected()
    {
        var (first, _) = await Cheques();
        await Slip();
        await _cash.Done($"/api/postings/{first}/reverse", new { reason = "bounced" });
        var slip = await _cash.App.Get("/api/banking/slips/1");
        slip.GetProperty("receipts").EnumerateArray().Count(r => r.GetProperty("reversed").GetBoolean()).ShouldBe(1);
        slip.GetProperty("receipts").GetArrayLength().ShouldBe(2);
        var of = slip.GetProperty("slip");
        $"{of.GetProperty("total")} {of.GetProperty("reversed")} {of.GetProperty("expected")}".ShouldBe(
            "800.00 300.00 500.00"
        );
    }

    [Fact]
    public async Task What_is_reversed_later_changes_nothing_of_what_the_bank_credited()
    {
        var (first, _) = await Cheques();
        var slip = (await Slip()).GetProperty("id").GetInt64();
        var lines = await _cash.Statement(800, CamtText.Entry(800, "PAYING IN"));
        await _cash.Done($"/api/bank/entries/{lines["R1"]}/clear", new { slip });
        await _cash.Done($"/api/postings/{first}/reverse", new { reason = "bounced", bankFee = "6.50" });
        var of = (await _cash.App.Get("/api/banking/slips/1")).GetProperty("slip");
        $"{of.GetProperty("expected")} {of.GetProperty("difference")}".ShouldBe("800.00 0.00");
        // The invoice stands again, and what the bank took beside it.
        (await _cash.Open("HAR01")).ShouldBe("BKF-00001 6.50, INV-1010 300.00");
        (await _cash.Balance("feeIncome")).ShouldBe("-6.50");
    }

    /// <summary>Of 300 and 500 the 300 come off: 500 are left, and 300 wait. The 300 come onto it again.</summary>
    [Fact]
    public async Task A_receipt_comes_off_a_slip_and_onto_it_again_until_the_bank_has_credited_it()
    {
        var (first, second) = await Cheques();
        var id = (await Slip()).GetProperty("id").GetInt64();
        var path = $"/api/banking/slips/{id}/changes";
        (await _cash.App.Refused(path, new { off = new[] { first } })).ShouldBe(["reason"]);
        (await _cash.App.Refused(path, new { reason = "nothing chosen" })).ShouldBe(["off"]);
        (await _cash.App.Refused(path, new { onto = new[] { first }, reason = "stands on it" })).ShouldBe(["onto"]);
        var slip = await _cash.Done(path, new { off = new[] { first }, reason = "not signed" });
        slip.GetProperty("slip").GetProperty("expected").GetString().ShouldBe("500.00");
        slip.GetProperty("receipts").GetArrayLength().ShouldBe(1);
        (await _cash.App.Refused(path, new { off = new[] { first }, reason = "again" })).ShouldBe(["off"]);
        (await _cash.App.Get("/api/banking/receipts")).GetProperty("total").GetInt64().ShouldBe(1);
        slip = await _cash.Done(path, new { onto = new[] { first }, reason = "signed now" });
        slip.GetProperty("slip").GetProperty("expected").GetString().ShouldBe("800.00");
        (await _cash.App.Get("/api/banking/receipts")).GetProperty("total").GetInt64().ShouldBe(0);
        _cash.App.Books.Read(KiteLine.Store.Verifier.Check).ShouldBeEmpty();

        // Empty it is void, and nothing of the bank settles it; what stood on it can be banked with another.
        slip = await _cash.Done(path, new { off = new[] { first, second }, reason = "kept back" });
        slip.GetProperty("slip").GetProperty("isVoid").GetBoolean().ShouldBeTrue();
        slip.GetProperty("slip").GetProperty("total").GetString().ShouldBe("0.00");
        var another = (await Slip()).GetProperty("id").GetInt64();
        var lines = await _cash.Statement(800, CamtText.Entry(800, "PAYING IN"));
        await _cash.Done($"/api/bank/entries/{lines["R1"]}/clear", new { slip = another });
        (
            await _cash.App.Refused(
                $"/api/banking/slips/{another}/changes",
                new { off = new[] { first }, reason = "too late" }
            )
        ).ShouldBe(["slip"]);
        _cash.App.Books.Read(KiteLine.Store.Verifier.Check).ShouldBeEmpty();
    }

    /// <summary>The cheque of 300 says 290: it is reversed, and 290 take its place, of which INV-1010 keeps 10 open.</summary>
    [Fact]
    public async Task A_wrong_receipt_is_reversed_and_the_right_one_takes_its_place_in_one_step()
    {
        var (first, _) = await Cheques();
        var id = (await Slip()).GetProperty("id").GetInt64();
        var path = $"/api/banking/slips/{id}/replacements";
        object Right(string cash, string account = "HAR01", string reason = "the cheque says 290") =>
            new
            {
                posting = first,
                account,
                cash,
                reference = "INV-1010",
                reason,
            };
        (await _cash.App.Refused(path, Right("290", reason: ""))).ShouldBe(["reason"]);
        (await _cash.App.Refused(path, Right("0"))).ShouldBe(["cash"]);
        (
            await _cash.App.Send(
                HttpMethod.Post,
                path,
                """{"posting": 1, "account": "HAR01", "cash": "5", "reason": "x"}"""
            )
        ).Status.ShouldBe(400);
        var shown = (await _cash.Done(path + "?preview=true", Right("290"))).GetProperty("effects");
        Journal(shown.EnumerateArray().ShouldHaveSingleItem())
            .ShouldBe(["bank -300.00", "receivables 300.00", "bank 290.00", "receivables -290.00"]);
        shown[0].GetProperty("after").GetProperty("exposure").GetString().ShouldBe("10.00");
        (await _cash.Open("HAR01")).ShouldBe("");
        // The receipt that is replaced is no duplicate of the right one.
        (await _cash.Done(path + "?preview=true", Right("300")))
            .GetProperty("effects")[0]
            .GetProperty("warnings")
            .GetArrayLength()
            .ShouldBe(0);
        var done = await _cash.Done(path, Right("290"));
        (await _cash.Open("HAR01")).ShouldBe("INV-1010 10.00");
        var slip = done.GetProperty("slip");
        slip.GetProperty("slip").GetProperty("expected").GetString().ShouldBe("790.00");
        slip.GetProperty("receipts").EnumerateArray().ShouldAllBe(r => !r.GetProperty("reversed").GetBoolean());

        // On another account both effects are shown.
        var again = done.GetProperty("posting").GetInt64();
        var other = await _cash.Done(
            path + "?preview=true",
            new
            {
                posting = again,
                account = "PEL01",
                cash = "290",
                reason = "the other customer's cheque",
            }
        );
        other
            .GetProperty("effects")
            .EnumerateArray()
            .Select(e => e.GetProperty("after").GetProperty("code").GetString())
            .ShouldBe(["HAR01", "PEL01"]);
        _cash.App.Books.Read(KiteLine.Store.Verifier.Check).ShouldBeEmpty();
    }

    /// <summary>
    /// The cheque of 300 says 1,778. Nothing names what it is for: of 300, 1,000 (20 offered) and 500 the oldest are proposed,
    /// and what is proposed is posted: 22.00 stay open. Were the items named, they would match with the discount and 2.00 of
    /// the allowance.
    /// </summary>
    [Fact]
    public async Task A_right_receipt_without_items_is_posted_as_it_is_proposed()
    {
        var (first, _) = await Cheques();
        var id = (await Slip()).GetProperty("id").GetInt64();
        _cash.App.Books.Write(
            "tests",
            tx =>
            {
                var company = KiteLine.Store.CompanyStore.Get(tx.Connection);
                var settings = company.Settings with { Allowance = new(5, 10) };
                return KiteLine.Store.CompanyStore.Change(tx, settings, company.Version);
            }
        );
        foreach (var (number, net, terms) in new[] { ("INV-A", "1000", "2/10 n/11"), ("INV-B", "500", "n/60") })
            await _cash.Done(
                "/api/accounts/HAR01/invoices",
                new
                {
                    number,
                    net,
                    terms,
                }
            );
        await _cash.Done(
            $"/api/banking/slips/{id}/replacements",
            new
            {
                posting = first,
                account = "HAR01",
                cash = "1778",
                reason = "the cheque says 1,778",
            }
        );
        (await _cash.Open("HAR01")).ShouldBe("INV-B 22.00");
    }

    [Fact]
    public async Task Reversing_a_receipt_on_a_slip_says_so_first()
    {
        var (first, _) = await Cheques();
        await Slip();
        var shown = await _cash.Done($"/api/postings/{first}/reverse?preview=true", new { reason = "bounced" });
        var warning = shown.GetProperty("warnings").EnumerateArray().ShouldHaveSingleItem();
        $"{warning.GetProperty("code")}: {warning.GetProperty("text")}".ShouldBe(
            "on-slip: It stands on the paying-in slip SLP-00001; the bank is to credit 500.00 instead of 800.00."
        );
    }

    [Fact]
    public async Task A_receipt_stands_on_one_slip_and_what_is_wrong_is_named()
    {
        var (first, _) = await Cheques();
        await Slip();
        var again = new { account = CamtText.Own, receipts = new[] { first } };
        (await _cash.App.Refused("/api/banking/slips", again)).ShouldBe(["receipts"]);
        (await _cash.App.Refused("/api/banking/slips", new { account = "GB00", receipts = new[] { first } })).ShouldBe([
            "account",
        ]);
        (
            await _cash.App.Refused(
                "/api/banking/slips",
                new { account = CamtText.Own, receipts = Array.Empty<long>() }
            )
        ).ShouldBe(["receipts"]);
    }

    [Fact]
    public async Task A_fee_is_charged_on_for_a_receipt_alone()
    {
        var (first, _) = await Cheques();
        var path = $"/api/postings/{first}/reverse";
        (await _cash.App.Refused(path, new { reason = "bounced", bankFee = "0" })).ShouldBe(["bankFee"]);
        var shown = await _cash.Done(path + "?preview=true", new { reason = "bounced", bankFee = "6.50" });
        Journal(shown).ShouldBe(["bank -300.00", "receivables 300.00", "receivables 6.50", "feeIncome -6.50"]);
        shown.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("306.50");
        (await _cash.Open("HAR01")).ShouldBe("");
    }

    [Fact]
    public async Task The_slip_and_the_receipt_are_printed_with_what_stands_on_them()
    {
        var (first, _) = await Cheques();
        await Slip();
        var slip = await Text("/api/banking/slips/1/pdf");
        slip.ShouldContain("SLP-00001");
        slip.ShouldContain("800.00");
        var receipt = await Text($"/api/receipts/{first}/pdf");
        receipt.ShouldContain("RCT-");
        receipt.ShouldContain("INV-1010");
        receipt.ShouldContain("300.00");
    }

    private async Task<string> Text(string path)
    {
        using var document = PdfDocument.Open(
            await _cash.App.Client.GetByteArrayAsync(new Uri(path, UriKind.Relative))
        );
        return string.Join(' ', document.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));
    }
}
