using System.Text.Json;
using System.Xml.Linq;
using KiteLine.Core;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Journals;

namespace KiteLine.Web.Tests;

/// <summary>
/// Money paid back: posted, ordered from the bank, settled by its entry, and taken back at each step. Harbour pays 350 and
/// owes 300, so that 50 can go back.
/// </summary>
public sealed class RefundApiTests : IDisposable
{
    private const string Theirs = "GB33BUKB20201555555555";
    private readonly CashBooks _cash = new();

    public void Dispose() => _cash.Dispose();

    private async Task<object> Request(string amount = "50", string bankAccount = Theirs, string reason = "paid twice")
    {
        var receipt = (await _cash.Items("HAR01")).Single(i => i.GetProperty("open").GetString()!.StartsWith('-'));
        return new
        {
            credits = new[] { receipt.GetProperty("id").GetInt64() },
            amount,
            bankAccount,
            reason,
        };
    }

    private async Task<JsonElement> First() => (await _cash.App.Get("/api/refunds")).GetProperty("items")[0];

    private async Task<string?> State() => (await First()).GetProperty("state").GetString();

    [Fact]
    public async Task It_goes_from_the_account_to_transit_and_from_transit_out_of_the_bank()
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        (await _cash.Open("HAR01")).ShouldMatch(@"^RCT-\d+ -50\.00$");
        var shown = await _cash.Done("/api/accounts/HAR01/refunds?preview=true", await Request());
        Journal(shown).ShouldBe(["cashOnAccount 50.00", "refundsInTransit -50.00"]);
        shown.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("0.00");
        var posted = await _cash.Done("/api/accounts/HAR01/refunds", await Request());
        posted.GetProperty("number").GetString().ShouldBe("RFD-00001");
        (await _cash.Open("HAR01")).ShouldBe("");
        (await _cash.Balance("refundsInTransit")).ShouldBe("-50.00");
        (await State()).ShouldBe("waiting");

        var file = await _cash.Done("/api/payment-files", new { account = CamtText.Own });
        file.GetProperty("amount").GetString().ShouldBe("50.00");
        (await State()).ShouldBe("ordered");
        // What is ordered stands in one file, and is not ordered again.
        (await _cash.App.Refused("/api/payment-files", new { account = CamtText.Own })).ShouldBe(["account"]);

        var lines = await _cash.Statement(-50, CamtText.Entry(-50, "REFUND RFD-00001"));
        var line = await _cash.App.Get($"/api/bank/entries/{lines["R1"]}");
        var candidate = line.GetProperty("inTransit")[0];
        candidate.GetProperty("number").GetString().ShouldBe("RFD-00001");
        var body = new { refund = candidate.GetProperty("id").GetInt64() };
        var cleared = await _cash.Done($"/api/bank/entries/{lines["R1"]}/clear", body);
        Journal(cleared).ShouldBe(["bank -50.00", "refundsInTransit 50.00"]);
        (await State()).ShouldBe("paid");
        (await _cash.Balance("refundsInTransit")).ShouldBe("0.00");
        // 350 came in, 50 went out.
        (await _cash.Balance("bank")).ShouldBe("300.00");
        (await _cash.App.Refused($"/api/bank/entries/{lines["R1"]}/clear", body)).ShouldBe(["entry"]);
        // What the bank has paid is not taken back as if it had not.
        var reverse = $"/api/postings/{posted.GetProperty("entryId")}/reverse";
        (await _cash.App.Refused(reverse, new { reason = "keeps it" })).ShouldBe(["entry"]);

        await _cash.Done($"/api/bank/entries/{lines["R1"]}/clear/take-back", new { reason = "another one" });
        (await State()).ShouldBe("ordered");
        (await _cash.Balance("bank")).ShouldBe("350.00");
        (await _cash.App.Get("/api/bank/statements/1/lines"))
            .GetProperty("items")[0]
            .GetProperty("state")
            .GetString()
            .ShouldBe("waiting");
    }

    [Fact]
    public async Task The_file_says_what_the_bank_is_to_pay()
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        await _cash.Done("/api/accounts/HAR01/refunds", await Request());
        await _cash.Done("/api/payment-files", new { account = CamtText.Own, executeOn = "2026-03-18" });
        using var response = await _cash.App.Client.GetAsync(new Uri("/api/payment-files/1/file", UriKind.Relative));
        var xml = XDocument.Parse(await response.Content.ReadAsStringAsync());
        XNamespace ns = "urn:iso:std:iso:20022:tech:xsd:pain.001.001.09";
        string One(string name) => xml.Descendants(ns + name).First().Value;
        One("NbOfTxs").ShouldBe("1");
        One("CtrlSum").ShouldBe("50.00");
        One("ReqdExctnDt").ShouldBe("2026-03-18");
        One("EndToEndId").ShouldBe("RFD-00001");
        One("InstdAmt").ShouldBe("50.00");
        xml.Descendants(ns + "InstdAmt").Single().Attribute("Ccy")!.Value.ShouldBe("GBP");
        xml.Descendants(ns + "IBAN").Select(i => i.Value).ShouldBe([CamtText.Own, Theirs]);
        xml.Descendants(ns + "Cdtr").Single().Value.ShouldBe("Harbour Rigging Company Ltd");
    }

    [Fact]
    public async Task It_is_reversed_like_any_posting_and_then_not_ordered()
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        var posted = await _cash.Done("/api/accounts/HAR01/refunds", await Request());
        var entry = posted.GetProperty("entryId").GetInt64();
        await _cash.Done($"/api/postings/{entry}/reverse", new { reason = "keeps it" });
        (await _cash.Open("HAR01")).ShouldMatch(@"^RCT-\d+ -50\.00$");
        (await State()).ShouldBe("reversed");
        (await _cash.Balance("refundsInTransit")).ShouldBe("0.00");
        (await _cash.App.Refused("/api/payment-files", new { account = CamtText.Own })).ShouldBe(["account"]);
    }

    [Fact]
    public async Task What_was_paid_back_of_a_credit_before_counts()
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        await _cash.Done("/api/accounts/HAR01/refunds", await Request("30"));
        var item = (await _cash.Items("HAR01")).Single().GetProperty("id").GetInt64();
        Should
            .Throw<RefusedException>(() =>
                _cash.App.Books.Read(c =>
                    _cash.App.Desk.Refunds.Preview(
                        c,
                        "HAR01",
                        a => new([item], Money.Exact(20, a.Currency), Theirs, a.Name, "", "the rest"),
                        new Authority(null, null, null, 49),
                        _cash.App.Desk.Rules(c)
                    )
                )
            )
            .Message.ShouldContain("50.00 in all");
    }

    [Theory]
    [InlineData("50.01", Theirs, "x", "amount")]
    [InlineData("0", Theirs, "x", "amount")]
    [InlineData("50", "GB33BUKB20201555555556", "x", "bankAccount")]
    [InlineData("50", "", "x", "bankAccount")]
    [InlineData("50", Theirs, " ", "reason")]
    public async Task What_is_wrong_is_named_and_nothing_is_posted(
        string amount,
        string bankAccount,
        string reason,
        string field
    )
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        (await _cash.App.Refused("/api/accounts/HAR01/refunds", await Request(amount, bankAccount, reason))).ShouldBe([
            field,
        ]);
        (await _cash.Open("HAR01")).ShouldMatch(@"^RCT-\d+ -50\.00$");
        (await _cash.App.Get("/api/refunds")).GetProperty("total").GetInt64().ShouldBe(0);
    }

    [Fact]
    public async Task The_bank_must_have_paid_just_that()
    {
        await _cash.Receipt("HAR01", "350", "INV-1010");
        await _cash.Done("/api/accounts/HAR01/refunds", await Request());
        var lines = await _cash.Statement(-49, CamtText.Entry(-49, "REFUND RFD-00001"));
        var id = (await First()).GetProperty("id").GetInt64();
        (await _cash.App.Refused($"/api/bank/entries/{lines["R1"]}/clear", new { refund = id })).ShouldBe(["refund"]);
        (await _cash.App.Refused($"/api/bank/entries/{lines["R1"]}/clear", new { })).ShouldBe(["refund"]);
    }

    [Theory]
    [InlineData(0, 49)]
    // In two parts it is as much.
    [InlineData(30, 79)]
    public void Above_the_authority_it_is_refused(int before, int authority)
    {
        var credit = new Item
        {
            Id = 1,
            Document = "RCT-1",
            Kind = ItemKind.Receipt,
            Date = new(2026, 3, 1),
            Due = new(2026, 3, 1),
            Movements = [new(MovementKind.Opened, new(2026, 3, 1), Money.Exact(-50, Currency.Of("GBP")))],
        };
        Should
            .Throw<RefusedException>(() =>
                RefundPosting.Of(
                    new([1], Money.Exact(50, Currency.Of("GBP")), Theirs, "Harbour", "", "paid twice"),
                    [credit],
                    Money.Exact(before, Currency.Of("GBP")),
                    new Authority(null, null, null, authority),
                    _cash.App.Books.Read(_cash.App.Desk.Rules)
                )
            )
            .Problems.Select(p => p.Field)
            .ShouldBe(["amount"]);
    }
}
