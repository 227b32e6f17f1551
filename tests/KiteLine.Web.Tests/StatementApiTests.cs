using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Journals;

namespace KiteLine.Web.Tests;

/// <summary>Bank statements through the interface: brought in, worked off line by line, and every line put right.</summary>
public sealed class StatementApiTests : IDisposable
{
    private const string Theirs = "GB33BUKB20201555555555";
    private readonly TestApp _app = new();

    public StatementApiTests() => BankBooks.Open(_app);

    public void Dispose()
    {
        // Whatever a test did, the books still hold.
        var off = _app.Books.Read(Verifier.Check);
        _app.Dispose();
        off.ShouldBeEmpty();
    }

    private async Task<(int Status, JsonElement Body)> Send(string text, bool preview = false)
    {
        using var response = await _app.Client.PostAsync(
            new Uri($"/api/bank/statements?preview={preview}", UriKind.Relative),
            new StringContent(text)
        );
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    /// <summary>Stores a statement of entries and gives its lines by their references.</summary>
    private async Task<Dictionary<string, long>> Stored(decimal sum, params string[] entries)
    {
        var (status, answer) = await Send($"{new CamtText { Sum = sum, Entries = entries }}");
        status.ShouldBe(200, $"{answer}");
        answer[0].GetProperty("problems").GetArrayLength().ShouldBe(0, $"{answer}");
        return (await Lines()).ToDictionary(l => l.GetProperty("reference").GetString()!, Id);
    }

    private async Task<JsonElement[]> Lines() =>
        [.. (await _app.Get("/api/bank/statements/1/lines")).GetProperty("items").EnumerateArray()];

    private async Task<string> State(long id) =>
        (await Lines()).Single(l => Id(l) == id).GetProperty("state").GetString()!;

    private static long Id(JsonElement of) => of.GetProperty("id").GetInt64();

    private async Task<JsonElement> Done(string path, object body)
    {
        var (status, answer) = await _app.Post(path, body);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    private async Task<string> Exposure(string account) =>
        (await _app.Get($"/api/accounts/{account}")).GetProperty("position").GetProperty("exposure").GetString()!;

    [Fact]
    public async Task A_file_is_looked_at_without_storing_and_comes_in_once()
    {
        var text = $"{new CamtText { Sum = 1470, Entries = [CamtText.Entry(1470, "INV-1001, INV 1007")] }}";
        var (status, looked) = await Send(text, preview: true);
        (status, looked[0].GetProperty("certain").GetInt32()).ShouldBe((200, 1));
        (await _app.Get("/api/bank/statements")).GetProperty("total").GetInt64().ShouldBe(0);
        (await Send(text)).Body[0].GetProperty("statementId").GetInt64().ShouldBe(1);
        var again = (await Send(text)).Body[0];
        again.GetProperty("problems")[0].GetString().ShouldBe("The statement S-1 is stored already.");
        again.GetProperty("statementId").ValueKind.ShouldBe(JsonValueKind.Null);
        (await _app.Get("/api/bank/statements")).GetProperty("total").GetInt64().ShouldBe(1);
    }

    // The letter asks for 300.00 and its own fee of 5.00; the payer gives nothing but the reference that it bears.
    [Theory]
    [InlineData(305, 1)]
    [InlineData(200, 0.4)]
    public async Task What_a_reminder_asked_for_is_settled_by_its_reference(int paid, double confidence)
    {
        _app.Books.Write(
            "tests",
            tx =>
            {
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "FEE",
                    "With a fee",
                    new ReminderPlan
                    {
                        Levels =
                        [
                            new()
                            {
                                DaysAfterDue = 7,
                                Fee = new ReminderFee.PerLetter(5),
                                FeeTreatment = Treatment.Post,
                                Texts = [new("", "Reminder", "Please pay {{ total }} with {{ reference }}.", "")],
                            },
                        ],
                    },
                    0
                );
                var account = AccountStore.Get(tx.Connection, "HAR01");
                return AccountStore.Change(tx, account with { ReminderPlan = "FEE" }, "tests");
            }
        );
        BookInvoice("INV-1011", "2026-03-09", 70);
        var number = (await Done("/api/accounts/HAR01/reminders", new { })).GetProperty("number").GetString()!;
        var letter = await _app.Client.GetByteArrayAsync(
            new Uri($"/api/reminders/{number}/letter.pdf", UriKind.Relative)
        );
        var reference = CreditorReference.ForDocument(number);
        CreditorReference.IsValid(reference).ShouldBeTrue();
        using (var pdf = UglyToad.PdfPig.PdfDocument.Open(letter))
            string.Concat(pdf.GetPage(1).GetWords().Select(w => w.Text)).ShouldContain(reference);

        // The same letter as data, read by the platform's own reader.
        var ubl = System.Xml.Linq.XDocument.Parse(
            await _app.Client.GetStringAsync(new Uri($"/api/reminders/{number}/ubl", UriKind.Relative))
        );
        string[] Values(string name) =>
            [.. ubl.Descendants().Where(e => e.Name.LocalName == name).Select(e => e.Value)];
        ubl.Root!.Name.NamespaceName.ShouldBe("urn:oasis:names:specification:ubl:schema:xsd:Reminder-2");
        string.Join(
                ' ',
                ((string[])["PayableAmount", "LineExtensionAmount", "ChargeTotalAmount", "DebitLineAmount"]).SelectMany(
                    Values
                )
            )
            .ShouldBe("305.00 300.00 5.00 300.00");
        Values("PaymentID").ShouldBe([reference]);
        ubl.Descendants()
            .Single(e => e.Name.LocalName == "InvoiceDocumentReference")
            .Elements()
            .First()
            .Value.ShouldBe("INV-1010");

        var text = $"{new CamtText { Sum = paid, Entries = [CamtText.Entry(paid, reference)] }}";
        (await Send(text)).Body[0].GetProperty("certain").GetInt32().ShouldBe(confidence == 1 ? 1 : 0);
        var line = (await Lines()).ShouldHaveSingleItem();
        string.Join(' ', ((string[])["account", "rule", "why"]).Select(f => line.GetProperty(f).GetString()))
            .ShouldBe($"HAR01 named the text names {number}");
        line.GetProperty("confidence").GetDouble().ShouldBe(confidence);
        if (confidence == 1)
        {
            await Done("/api/bank/statements/1/post-certain", new { });
            // What the letter did not ask for stays: the invoice that is not due yet.
            (await Exposure("HAR01")).ShouldBe("70.00");
        }
        else
        {
            // A letter that is cancelled names nothing any more.
            await Done($"/api/reminders/{number}/cancel", new { reason = "sent in error" });
            (await Lines())[0].GetProperty("account").ValueKind.ShouldBe(JsonValueKind.Null);
        }
    }

    private void BookInvoice(string number, string date, decimal amount) =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                BankBooks.Invoice(tx, "HAR01", number, date, amount);
                return 0;
            }
        );

    [Fact]
    public async Task A_file_that_cannot_be_read_is_refused_in_words()
    {
        var text = $"{new CamtText { Sum = 10, Entries = [CamtText.Entry(10)] }}";
        foreach (
            var (bad, said) in new[]
            {
                (text[..^60], "file"),
                ("", "file"),
                (
                    text.Replace("<Document", "<!DOCTYPE a [<!ENTITY b \"c\">]><Document", StringComparison.Ordinal),
                    "file"
                ),
            }
        )
        {
            var (status, problem) = await Send(bad);
            status.ShouldBe(400);
            problem.GetProperty("errors").EnumerateObject().Single().Name.ShouldBe(said);
        }

        var unknown = (await Send($"{new CamtText { Account = "<IBAN>GB82WEST12345698765432</IBAN>" }}")).Body[0];
        unknown.GetProperty("problems")[0].GetString()!.ShouldContain("no bank account of the company");
    }

    [Fact]
    public async Task What_is_certain_is_posted_together_and_only_once()
    {
        await Stored(
            1810,
            CamtText.Entry(1470, "INV-1001, INV 1007", "A"),
            CamtText.Entry(300, "INV-1010", "B"),
            CamtText.Entry(40, "thank you", "C")
        );
        var page = await _app.Get("/api/bank/statements/1/lines");
        (Number(page, "certain"), Number(page, "likely"), Number(page, "unknown")).ShouldBe((2, 0, 1));
        var first = await Done("/api/bank/statements/1/post-certain", new { most = 1 });
        (Number(first, "posted"), Number(first, "left")).ShouldBe((1, 1));
        var second = await Done("/api/bank/statements/1/post-certain", new { });
        (Number(second, "posted"), Number(second, "left")).ShouldBe((1, 0));
        Number(await Done("/api/bank/statements/1/post-certain", new { }), "posted").ShouldBe(0);
        (await Exposure("PEL01")).ShouldBe("0.00");
        var statement = (await _app.Get("/api/bank/statements")).GetProperty("items")[0];
        (statement.GetProperty("waiting").GetInt64(), statement.GetProperty("waitingSum").GetString()).ShouldBe(
            (1, "40.00")
        );
    }

    [Fact]
    public async Task Whose_it_is_is_looked_at_again_when_it_is_posted()
    {
        await Done("/api/accounts/PEL01/bank-accounts", new { bankAccount = Theirs });
        var lines = await Stored(
            1280,
            CamtText.Entry(300, "INV-1010", "A"),
            CamtText.Entry(980, "thank you", "B", iban: Theirs)
        );
        var first = await Done("/api/bank/statements/1/post-certain", new { most = 1 });
        (Number(first, "posted"), Number(first, "left")).ShouldBe((1, 1));
        // Meanwhile it turns out that the bank account is not theirs.
        var known = (await _app.Get("/api/accounts/PEL01/bank-accounts"))[0];
        (await _app.Send(HttpMethod.Delete, $"/api/accounts/PEL01/bank-accounts/{Id(known)}", "")).Status.ShouldBe(200);
        Number(await Done("/api/bank/statements/1/post-certain", new { most = 1 }), "posted").ShouldBe(0);
        (await State(lines["B"])).ShouldBe("waiting");
    }

    private static int Number(JsonElement of, string name) => of.GetProperty(name).GetInt32();

    [Fact]
    public async Task A_late_discount_is_allowed_with_a_reason_and_the_bank_line_is_what_came()
    {
        // 294 on 300: the 2 % of 2 February ended on the 12th; worked by hand.
        var id = (await Stored(294, CamtText.Entry(294, "INV-1010", "A")))["A"];
        var hand = await _app.Get($"/api/bank/entries/{id}");
        var placing = hand.GetProperty("placing");
        placing.GetProperty("account").GetString().ShouldBe("HAR01");
        placing.GetProperty("named")[0].GetProperty("to").GetInt32().ShouldBe("INV-1010".Length);
        var shown = await Done($"/api/bank/entries/{id}/receipt?preview=true", new { account = "HAR01" });
        Journal(shown).ShouldBe(["bank 294.00", "receivables -294.00"]);
        var item = shown.GetProperty("payment")[0].GetProperty("itemId").GetInt64();
        var items = new[]
        {
            new
            {
                id = item,
                discount = "grant",
                step = "2026-02-12",
            },
        };
        (await _app.Refused($"/api/bank/entries/{id}/receipt", new { account = "HAR01", items })).ShouldBe(["reason"]);
        (await State(id)).ShouldBe("waiting");
        var posted = await Done(
            $"/api/bank/entries/{id}/receipt",
            new
            {
                account = "HAR01",
                items,
                reason = "as agreed",
            }
        );
        Journal(posted).ShouldBe(["bank 294.00", "discountsAllowed 6.00", "receivables -300.00"]);
        (await State(id)).ShouldBe("posted");
        (await _app.Refused($"/api/bank/entries/{id}/receipt", new { account = "HAR01" })).ShouldBe(["entry"]);
    }

    [Fact]
    public async Task What_the_bank_kept_is_a_small_difference_and_the_rest_can_become_a_dispute()
    {
        const string kept =
            "<Chrgs><Rcrd><Amt Ccy=\"GBP\">4.50</Amt><CdtDbtInd>DBIT</CdtDbtInd><ChrgInclInd>true</ChrgInclInd></Rcrd></Chrgs>";
        var id = (await Stored(250, CamtText.Entry(250, "INV-1010", "A", inside: kept)))["A"];
        var shown = await Done($"/api/bank/entries/{id}/receipt?preview=true", new { account = "HAR01" });
        var item = shown.GetProperty("payment")[0].GetProperty("itemId").GetInt64();
        var posted = await Done(
            $"/api/bank/entries/{id}/receipt",
            new
            {
                account = "HAR01",
                items = new[] { new { id = item, dispute = true } },
                reason = "one coil was short",
            }
        );
        Journal(posted).ShouldBe(["bank 250.00", "smallDifferences 4.50", "receivables -254.50"]);
        var disputed = (await _app.Get("/api/accounts/HAR01")).GetProperty("items")[0];
        (disputed.GetProperty("open").GetString(), disputed.GetProperty("disputed").GetString()).ShouldBe(
            ("45.50", "45.50")
        );
    }

    [Fact]
    public async Task A_credit_that_is_chosen_is_used_with_the_money()
    {
        await Done("/api/accounts/HAR01/credit-notes", new { number = "CRN-9", net = "60" });
        var id = (await Stored(240, CamtText.Entry(240, "", "A")))["A"];
        var items = (await _app.Get($"/api/bank/entries/{id}?account=HAR01"))
            .GetProperty("placing")
            .GetProperty("items")
            .EnumerateArray()
            .Select(i => new { id = Id(i) })
            .ToArray();
        items.Length.ShouldBe(2);
        var posted = await Done($"/api/bank/entries/{id}/receipt", new { account = "HAR01", items });
        Journal(posted).ShouldBe(["bank 240.00", "receivables -240.00"]);
        posted.GetProperty("credits")[0].GetProperty("amount").GetString().ShouldBe("60.00");
        (await Exposure("HAR01")).ShouldBe("0.00");
    }

    [Fact]
    public async Task The_payers_bank_account_is_learned_from_what_was_assigned_by_hand()
    {
        var lines = await Stored(
            130,
            CamtText.Entry(100, "thank you", "A", iban: Theirs),
            CamtText.Entry(30, "thank you again", "B", iban: Theirs)
        );
        (await _app.Get($"/api/bank/entries/{lines["A"]}"))
            .GetProperty("placing")
            .GetProperty("account")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        await Done($"/api/bank/entries/{lines["A"]}/receipt", new { account = "PEL01", items = Array.Empty<object>() });
        var known = (await _app.Get("/api/accounts/PEL01/bank-accounts"))[0];
        (known.GetProperty("bankAccount").GetString(), known.GetProperty("learned").GetBoolean()).ShouldBe(
            (Theirs, true)
        );
        var next = (await _app.Get($"/api/bank/entries/{lines["B"]}")).GetProperty("placing");
        next.GetProperty("why").GetString().ShouldBe($"it was paid from {Theirs}, a bank account of this customer");
        // Taken off again, nobody is recognised by it.
        (await _app.Send(HttpMethod.Delete, $"/api/accounts/PEL01/bank-accounts/{Id(known)}", "")).Status.ShouldBe(200);
        (await _app.Get($"/api/bank/entries/{lines["B"]}"))
            .GetProperty("placing")
            .GetProperty("account")
            .ValueKind.ShouldBe(JsonValueKind.Null);
    }

    [Fact]
    public async Task A_bank_account_that_is_none_is_refused()
    {
        async Task<string[]> Add(string number) =>
            await _app.Refused("/api/accounts/PEL01/bank-accounts", new { bankAccount = number });
        (await Add("")).ShouldBe(["bankAccount"]);
        (await Add("GB33BUKB20201555555556")).ShouldBe(["bankAccount"]);
        (await Add(new string('1', 41))).ShouldBe(["bankAccount"]);
        await Done("/api/accounts/PEL01/bank-accounts", new { bankAccount = "gb33 bukb 2020 1555 5555 55" });
        (await Add(Theirs)).ShouldBe(["bankAccount"]);
    }

    [Fact]
    public async Task Money_whose_payer_is_not_known_is_in_the_bank_and_on_no_account_until_it_is_assigned()
    {
        var id = (await Stored(300, CamtText.Entry(300, "no idea", "A", iban: Theirs)))["A"];
        var shown = await Done($"/api/bank/entries/{id}/unassigned?preview=true", new { });
        Journal(shown).ShouldBe(["bank 300.00", "unassignedReceipts -300.00"]);
        (await State(id)).ShouldBe("waiting");
        await Done($"/api/bank/entries/{id}/unassigned", new { });
        (await State(id)).ShouldBe("unassigned");
        ((await Exposure("PEL01")), (await Exposure("HAR01"))).ShouldBe(("1500.00", "300.00"));
        var waiting = (await _app.Get("/api/unassigned-receipts")).GetProperty("items")[0];
        var path = $"/api/unassigned-receipts/{Id(waiting)}";
        var posted = await Done($"{path}/assign", new { account = "HAR01" });
        Journal(posted).ShouldBe(["unassignedReceipts 300.00", "receivables -300.00"]);
        (await _app.Get("/api/unassigned-receipts")).GetProperty("total").GetInt64().ShouldBe(0);
        (await _app.Refused($"{path}/assign", new { account = "HAR01" })).ShouldBe(["receipt"]);
        // It is no opening item, and says where it is taken back.
        (await _app.Post($"/api/postings/{waiting.GetProperty("posting")}/reverse", new { reason = "x" }))
            .Body.GetProperty("detail")
            .GetString()!
            .ShouldContain("unassigned receipts");
        // What was assigned to the wrong account is reversed there, and waits again.
        await Done($"/api/postings/{posted.GetProperty("entryId")}/reverse", new { reason = "wrong account" });
        (await _app.Get("/api/unassigned-receipts")).GetProperty("total").GetInt64().ShouldBe(1);
        (await _app.Refused($"{path}/take-back", new { reason = "" })).ShouldBe(["reason"]);
        await Done($"{path}/take-back", new { reason = "not ours" });
        (await State(id)).ShouldBe("waiting");
    }

    [Fact]
    public async Task A_payment_that_came_back_reverses_its_receipt_and_nothing_waits_after_it()
    {
        const string back = "<RtrInf><Rsn><Cd>AM04</Cd></Rsn></RtrInf>";
        const string refs = "<Refs><EndToEndId>HAR-77</EndToEndId></Refs>";
        var lines = await Stored(
            150,
            CamtText.Entry(300, "INV-1010", "A", inside: refs),
            CamtText.Entry(
                -300,
                "returned",
                "B",
                inside: refs.Replace("<Refs>", "<Refs>", StringComparison.Ordinal) + back
            ),
            CamtText.Entry(150, "half", "C")
        );
        var receipt = await Done($"/api/bank/entries/{lines["A"]}/receipt", new { account = "HAR01" });
        await Done($"/api/bank/entries/{lines["C"]}/receipt", new { account = "PEL01", items = Array.Empty<object>() });
        var returns = (await _app.Get($"/api/bank/entries/{lines["B"]}")).GetProperty("returns");
        returns.GetArrayLength().ShouldBe(1);
        returns[0].GetProperty("why").GetString().ShouldBe("it bears the payer’s own reference of this payment");
        var posting = receipt.GetProperty("entryId").GetInt64();
        // One of another amount is none that came back.
        var other = (await Lines()).Single(l => Id(l) == lines["C"]).GetProperty("posting").GetInt64();
        (await _app.Refused($"/api/bank/entries/{lines["B"]}/return", new { posting = other })).ShouldBe(["posting"]);
        var reversed = await Done($"/api/bank/entries/{lines["B"]}/return", new { posting });
        Journal(reversed).ShouldBe(["bank -300.00", "receivables 300.00"], ignoreOrder: true);
        (await Exposure("HAR01")).ShouldBe("300.00");
        (await State(lines["A"])).ShouldBe("posted");
        (await State(lines["B"])).ShouldBe("posted");
        (await _app.Get("/api/bank/statements")).GetProperty("items")[0].GetProperty("waiting").GetInt64().ShouldBe(0);
    }

    [Fact]
    public async Task A_payment_that_came_back_after_it_was_assigned_goes_back_down_to_the_bank()
    {
        var lines = await Stored(
            0,
            CamtText.Entry(300, "no idea", "A", iban: Theirs),
            CamtText.Entry(
                -300,
                "returned",
                "B",
                inside: "<RtrInf><Rsn><Cd>AM04</Cd></Rsn></RtrInf><RltdPties><CdtrAcct><Id><IBAN>"
                    + Theirs
                    + "</IBAN></Id></CdtrAcct></RltdPties>"
            )
        );
        await Done($"/api/bank/entries/{lines["A"]}/unassigned", new { });
        await Done("/api/unassigned-receipts/1/assign", new { account = "HAR01" });
        var returns = (await _app.Get($"/api/bank/entries/{lines["B"]}")).GetProperty("returns");
        returns[0]
            .GetProperty("why")
            .GetString()
            .ShouldBe("it goes back to the bank account that paid just this amount");
        var path = $"/api/bank/entries/{lines["B"]}/return";
        var body = new { posting = returns[0].GetProperty("posting").GetInt64() };
        string[] journal =
        [
            "unassignedReceipts -300.00",
            "receivables 300.00",
            "bank -300.00",
            "unassignedReceipts 300.00",
        ];
        Journal(await Done($"{path}?preview=true", body)).ShouldBe(journal);
        Journal(await Done(path, body)).ShouldBe(journal);
        (await Exposure("HAR01")).ShouldBe("300.00");
        (await _app.Get("/api/unassigned-receipts")).GetProperty("total").GetInt64().ShouldBe(0);
        ((await State(lines["A"])), (await State(lines["B"]))).ShouldBe(("posted", "posted"));
    }

    [Fact]
    public async Task The_simulated_bank_gives_nothing_to_a_real_company()
    {
        (await _app.Refused("/api/bank/statements/fetch", new { })).ShouldBe(["bank"]);
        (await _app.Get("/api/bank/statements")).GetProperty("total").GetInt64().ShouldBe(0);
    }

    [Fact]
    public async Task A_receipt_that_was_reversed_by_hand_lets_its_line_wait_again()
    {
        var id = (await Stored(300, CamtText.Entry(300, "INV-1010", "A")))["A"];
        var posted = await Done($"/api/bank/entries/{id}/receipt", new { account = "HAR01" });
        await Done($"/api/postings/{posted.GetProperty("entryId")}/reverse", new { reason = "wrong account" });
        (await State(id)).ShouldBe("waiting");
        await Done($"/api/bank/entries/{id}/receipt", new { account = "PEL01" });
        (await State(id)).ShouldBe("posted");
    }

    [Fact]
    public async Task Of_two_who_post_one_line_the_second_is_told()
    {
        var id = (await Stored(300, CamtText.Entry(300, "INV-1010", "A")))["A"];
        var both = await Task.WhenAll(
            Enumerable.Range(0, 2).Select(_ => _app.Post($"/api/bank/entries/{id}/receipt", new { account = "HAR01" }))
        );
        both.Select(b => b.Status).Order().ShouldBe([200, 400]);
        both.Single(b => b.Status == 400).Body.GetProperty("detail").GetString()!.ShouldContain("posted already");
        (await _app.Get("/api/postings?kind=receipt")).GetProperty("total").GetInt64().ShouldBe(1);
    }

    [Fact]
    public async Task What_is_no_customers_business_is_put_aside_and_can_be_taken_up()
    {
        var id = (await Stored(-8, CamtText.Entry(-8, "account charges", "A")))["A"];
        (await _app.Refused($"/api/bank/entries/{id}/aside", new { reason = " " })).ShouldBe(["reason"]);
        await Done($"/api/bank/entries/{id}/aside", new { reason = "the bank’s own charges" });
        (await State(id)).ShouldBe("aside");
        (await _app.Refused($"/api/bank/entries/{id}/aside", new { reason = "again" })).ShouldBe(["entry"]);
        await Done($"/api/bank/entries/{id}/take-up", new { });
        (await State(id)).ShouldBe("waiting");
        (await _app.Refused($"/api/bank/entries/{id}/take-up", new { })).ShouldBe(["entry"]);
    }

    [Fact]
    public async Task What_the_bank_has_not_booked_is_only_shown()
    {
        var id = (await Stored(0, CamtText.Entry(300, "INV-1010", "A", status: "<Sts>PDNG</Sts>")))["A"];
        (await State(id)).ShouldBe("pending");
        (await _app.Refused($"/api/bank/entries/{id}/receipt", new { account = "HAR01" })).ShouldBe(["entry"]);
        (await _app.Refused($"/api/bank/entries/{id}/unassigned", new { })).ShouldBe(["entry"]);
    }

    [Fact]
    public async Task Who_may_only_look_posts_nothing()
    {
        var id = (await Stored(300, CamtText.Entry(300, "INV-1010", "A")))["A"];
        _app.Books.Write(
            "tests",
            tx =>
            {
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = "looker",
                        FullName = "L. Ooker",
                        Role = Role.Viewer,
                        Authority = Authority.None,
                    },
                    UserStore.Find(tx.Connection, "tester")!.Value.PasswordHash
                );
                return 0;
            }
        );
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Add("Cookie", _app.Cookie("looker"));
        foreach (
            var path in new[]
            {
                $"/api/bank/entries/{id}/receipt",
                $"/api/bank/entries/{id}/unassigned",
                $"/api/bank/entries/{id}/aside",
                "/api/bank/statements/1/post-certain",
                "/api/bank/statements/fetch",
                "/api/accounts/PEL01/bank-accounts",
            }
        )
        {
            using var answer = await client.PostAsync(
                new Uri(path, UriKind.Relative),
                new StringContent("{}", System.Text.Encoding.UTF8, "application/json")
            );
            ((int)answer.StatusCode).ShouldBe(403, path);
        }
    }
}
