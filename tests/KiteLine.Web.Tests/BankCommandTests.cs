using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Bank statements as the command line takes them.</summary>
public sealed class BankCommandTests : IDisposable
{
    private readonly TestApp _app = new();

    public BankCommandTests() => BankBooks.Open(_app);

    public void Dispose() => _app.Dispose();

    private static Money Pounds(decimal amount) => Money.Exact(amount, Currency.Of("GBP"));

    private (int Exit, JsonElement[] Statements) Run(CamtText text, bool dryRun = true, bool postCertain = false) =>
        Run($"{text}", dryRun, postCertain);

    private (int Exit, JsonElement[] Statements) Run(string text, bool dryRun = true, bool postCertain = false)
    {
        var path = Path.Combine(_app.Folder, $"{Guid.NewGuid():N}.xml");
        File.WriteAllText(path, text);
        using var progress = new StringWriter();
        using var answer = new StringWriter();
        var exit = new BankCommand(progress, answer).Run([path], _app.Books, dryRun, postCertain);
        return (
            exit,
            [.. JsonDocument.Parse(answer.ToString()).RootElement.GetProperty("statements").EnumerateArray()]
        );
    }

    private JsonElement Entry(decimal sum, string entry, int version = 2)
    {
        var (exit, statements) = Run(
            new CamtText
            {
                Version = version,
                Sum = sum,
                Entries = [entry],
            }
        );
        exit.ShouldBe(0, $"{statements[0]}");
        return statements[0].GetProperty("entries").EnumerateArray().ShouldHaveSingleItem();
    }

    private string[] Problems(CamtText text, bool dryRun = true)
    {
        var (exit, statements) = Run(text, dryRun);
        exit.ShouldBe(1);
        statements[0].TryGetProperty("entries", out _).ShouldBeFalse();
        return [.. statements[0].GetProperty("problems").EnumerateArray().Select(p => p.GetString()!)];
    }

    private static string Told(JsonElement entry) =>
        $"{entry.GetProperty("account")} {entry.GetProperty("rule")} {entry.GetProperty("confidence")}: "
        + string.Join(
            ", ",
            entry
                .GetProperty("allocations")
                .EnumerateArray()
                .Select(a => string.Join(' ', a.EnumerateObject().Select(p => p.Value.GetString())))
        )
        + $"; {entry.GetProperty("onAccount")}";

    [Theory]
    [InlineData(2)]
    [InlineData(4)]
    [InlineData(8)]
    public void A_payment_that_names_its_documents_is_certain(int version)
    {
        var payer = version == 8 ? "<Pty><Nm>P. Loft</Nm></Pty>" : "<Nm>P. Loft</Nm>";
        var status = version == 8 ? "<Sts><Cd>BOOK</Cd></Sts>" : "<Sts>BOOK</Sts>";
        var entry = Entry(
            1470,
            CamtText.Entry(1470, "inv 1001 and INV1007 less disc", payer: payer, status: status),
            version
        );
        Told(entry).ShouldBe("PEL01 named 1: INV-1001 980.00 20.00 0.00 0.00, INV-1007 490.00 10.00 0.00 0.00; 0.00");
        string.Join(
                ' ',
                new[] { "reference", "date", "valueDate", "amount", "state", "payer" }.Select(f => entry.GetProperty(f))
            )
            .ShouldBe("R1 2026-03-11 2026-03-10 1470.00 booked P. Loft");
    }

    [Fact]
    public void The_payer_is_recognised_by_document_bank_account_code_or_name_in_this_order()
    {
        const string theirs = "GB33BUKB20201555555555";
        _app.Books.Write(
            "tests",
            tx =>
            {
                PayerAccountStore.Learn(tx, AccountStore.Get(tx.Connection, "PEL01"), theirs);
                return 0;
            }
        );
        string Of(string text, string payer = "", string iban = "") =>
            $"{Entry(1, CamtText.Entry(1, text, payer: $"<Nm>{payer}</Nm>", iban: iban)).GetProperty("account")}";
        Of("INV-1010", iban: theirs).ShouldBe("HAR01");
        Of("thank you HAR01", iban: theirs).ShouldBe("PEL01");
        Of("thank you har01", "Pellworm Sail Loft").ShouldBe("HAR01");
        Of("thank you", "HARBOUR RIGGING CO. LIMITED").ShouldBe("HAR01");
        Of("thank you", "Harbour").ShouldBe("");
        // Both are named, so that neither is.
        Of("INV-1001 INV-1010").ShouldBe("");
    }

    [Fact]
    public void A_name_alike_is_no_certainty()
    {
        var entry = Entry(300, CamtText.Entry(300, "thank you", payer: "<Nm>Harbour Rigging</Nm>"));
        Told(entry).ShouldBe("HAR01 one 0.5: INV-1010 300.00 0.00 0.00 0.00; 0.00");
    }

    [Fact]
    public void What_is_certain_is_posted_once_and_the_rest_waits()
    {
        var text = new CamtText
        {
            Sum = 1470 + 250 + 7 - 30,
            Entries =
            [
                CamtText.Entry(1470, "INV-1001 INV-1007", "R1"),
                CamtText.Entry(250, "INV-1010", "R2"),
                CamtText.Entry(7, "hello", "R3"),
                CamtText.Entry(-30, "fees", "R4"),
                CamtText.Entry(980, "INV-1001", "R5", "<Sts>PDNG</Sts>"),
            ],
        };
        var (exit, statements) = Run(text, dryRun: false, postCertain: true);
        exit.ShouldBe(0);
        statements[0]
            .GetProperty("entries")
            .EnumerateArray()
            .Select(Told)
            .ToArray()
            .ShouldBe([
                "PEL01 named 1: INV-1001 980.00 20.00 0.00 0.00, INV-1007 490.00 10.00 0.00 0.00; 0.00",
                "HAR01 named 0.4: INV-1010 250.00 0.00 0.00 50.00; 0.00",
                "  0: ; 7.00",
                "  0: ; 0.00",
                // What is certain before it has taken the invoice.
                "PEL01  0: ; 980.00",
            ]);
        _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "PEL01"))).ShouldBeEmpty();
        _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "HAR01")))
            .ShouldHaveSingleItem()
            .Left.ShouldBe(Pounds(300));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
        // The same statement again, also under another name, and the same entry in another statement.
        Problems(text, dryRun: false).ShouldHaveSingleItem().ShouldContain("is stored already");
        Problems(text with { Id = "S-2" }, dryRun: false)
            .ShouldContain(p => p.Contains("came in with the statement S-1"));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void What_the_bank_kept_is_a_small_difference_of_its_own()
    {
        const string kept =
            "<AmtDtls><InstdAmt><Amt Ccy=\"GBP\">300.00</Amt></InstdAmt></AmtDtls>"
            + "<Chrgs><Rcrd><Amt Ccy=\"GBP\">12.00</Amt><CdtDbtInd>DBIT</CdtDbtInd>"
            + "<ChrgInclInd>true</ChrgInclInd></Rcrd></Chrgs>";
        var text = new CamtText
        {
            Version = 4,
            Sum = 288,
            Entries = [CamtText.Entry(288, "INV-1010", inside: kept)],
        };
        var (_, statements) = Run(text, dryRun: false, postCertain: true);
        var entry = statements[0].GetProperty("entries")[0];
        Told(entry).ShouldBe("HAR01 named 1: INV-1010 300.00 0.00 0.00 0.00; 0.00");
        var journal = _app.Books.Read(c =>
            LedgerView.Journal(c, LedgerView.OfKind(c, PostingKind.Receipt, 0, 1).Rows[0].EntryId)
        );
        journal
            .Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Bank 288.00", "SmallDifferences 12.00", "Receivables -300.00"]);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void A_credit_that_is_named_with_the_payment_is_used_with_it()
    {
        _app.Books.Write(
            "tests",
            tx =>
                PostingStore.Post(
                    tx,
                    AccountStore.Get(tx.Connection, "HAR01"),
                    InvoicePosting.CreditNote(
                        "CRN-5",
                        new(2026, 3, 1),
                        new InvoiceAmounts(Pounds(40), Pounds(0), Pounds(0)),
                        new(2026, 3, 16)
                    )
                )
        );
        var text = new CamtText { Sum = 260, Entries = [CamtText.Entry(260, "INV-1010 less CRN-5")] };
        Told(Run(text, dryRun: false, postCertain: true).Statements[0].GetProperty("entries")[0])
            .ShouldBe("HAR01 named 1: CRN-5 -40.00 0.00 0.00 0.00, INV-1010 300.00 0.00 0.00 0.00; 0.00");
        _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "HAR01"))).ShouldBeEmpty();
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void A_batch_is_as_many_entries_as_payments()
    {
        string Part(decimal amount, string text, string reference) =>
            CamtText.Details(
                text,
                inside: $"<Refs><AcctSvcrRef>{reference}</AcctSvcrRef><EndToEndId>NOTPROVIDED</EndToEndId></Refs>"
                    + CamtText.Amount(amount)
            );
        var entry =
            $"<Ntry><NtryRef>B1</NtryRef>{CamtText.Amount(1280)}<Sts>BOOK</Sts><BookgDt><Dt>2026-03-11</Dt></BookgDt>"
            + $"<NtryDtls>{Part(980, "INV-1001", "T1")}{Part(300, "INV-1010", "T2")}</NtryDtls></Ntry>";
        var (exit, statements) = Run(
            new CamtText
            {
                Version = 4,
                Sum = 1280,
                Entries = [entry],
            }
        );
        exit.ShouldBe(0);
        statements[0]
            .GetProperty("entries")
            .EnumerateArray()
            .Select(e => $"{e.GetProperty("reference")} {e.GetProperty("valueDate")} {Told(e)}")
            .ShouldBe([
                "T1 2026-03-11 PEL01 named 1: INV-1001 980.00 20.00 0.00 0.00; 0.00",
                "T2 2026-03-11 HAR01 named 1: INV-1010 300.00 0.00 0.00 0.00; 0.00",
            ]);
    }

    [Fact]
    public void Reversals_and_returns_are_told_and_settle_nothing()
    {
        var reversal = Entry(-980, CamtText.Entry(-980, "INV-1001", more: "<RvslInd>true</RvslInd>"));
        reversal.GetProperty("findings")[0].GetProperty("code").GetString().ShouldBe("reversal");
        reversal.GetProperty("amount").GetString().ShouldBe("-980.00");
        var returned = Entry(
            -980,
            CamtText.Entry(-980, "INV-1001", inside: "<RtrInf><Rsn><Cd>AC04</Cd></Rsn></RtrInf>")
        );
        $"{returned.GetProperty("findings")[0].GetProperty("text")}".ShouldContain("AC04");
    }

    [Fact]
    public void A_statement_that_is_not_sound_is_refused_whole()
    {
        var one = CamtText.Entry(5, "x");
        Problems(new() { Sum = 4, Entries = [one] }).ShouldHaveSingleItem().ShouldContain("not the closing balance");
        Problems(new() { Sum = 10, Entries = [one, one] }).ShouldHaveSingleItem().ShouldContain("2 times");
        Problems(new() { Before = "<!DOCTYPE d [<!ENTITY x \"y\">]>" }).ShouldHaveSingleItem().ShouldContain("DOCTYPE");
        Problems(new() { Sum = 5, Entries = [CamtText.Entry(5, "x", new string('R', 201))] })
            .ShouldHaveSingleItem()
            .ShouldContain("reference of an entry");
        Problems(new() { Id = new string('S', 201) }).ShouldHaveSingleItem().ShouldContain("201 characters");
        Problems(new() { Version = 9 }).ShouldHaveSingleItem().ShouldContain("camt.053");
        Problems(new() { Entries = [CamtText.Entry(5, "x", currency: "EUR")], Sum = 5 })
            .ShouldHaveSingleItem()
            .ShouldContain("EUR");
        Run($"{new CamtText { Sum = 5, Entries = [one] }}"[..700]).Exit.ShouldBe(1);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void A_statement_of_an_unknown_account_is_shown_and_not_stored()
    {
        var text = new CamtText
        {
            Account = "<Othr><Id>12 34</Id></Othr>",
            Sum = 5,
            Entries = [CamtText.Entry(5, "INV-1001")],
        };
        Run(text).Exit.ShouldBe(0);
        Problems(text, dryRun: false).ShouldHaveSingleItem().ShouldContain("1234 is no bank account of the company");
    }

    [Fact]
    public void One_entry_of_fifty_thousand_payments_is_as_many_lines_and_stored_whole()
    {
        var payments = string.Concat(
            Enumerable
                .Range(1, 50_000)
                .Select(i =>
                    $"<TxDtls><Refs><EndToEndId>E{i}</EndToEndId></Refs><Amt Ccy=\"GBP\">0.01</Amt><RmtInf><Ustrd>thanks"
                    + "</Ustrd></RmtInf></TxDtls>"
                )
        );
        var (exit, statements) = Run(
            new CamtText
            {
                Sum = 500,
                Entries =
                [
                    $"<Ntry><NtryRef>R1</NtryRef>{CamtText.Amount(500)}<Sts>BOOK</Sts><BookgDt><Dt>2026-03-11</Dt></BookgDt>"
                        + $"<NtryDtls>{payments}</NtryDtls></Ntry>",
                ],
            },
            dryRun: false
        );
        exit.ShouldBe(0);
        var entries = statements[0].GetProperty("entries").EnumerateArray().ToArray();
        (entries.Length, entries[^1].GetProperty("reference").GetString()).ShouldBe((50_000, "E50000"));
        var stored = _app.Books.Read(c => StatementStore.All(c, 0, 1))[0];
        (stored.Entries, stored.Waiting, stored.WaitingSum).ShouldBe((50_000, 50_000, 500_00));
    }

    /// <summary>Money in and money out are never guessed, nor is a currency.</summary>
    [Theory]
    [InlineData("<CdtDbtInd>CRDT</CdtDbtInd>", "", "CdtDbtInd")]
    [InlineData("<CdtDbtInd>CRDT</CdtDbtInd>", "<CdtDbtInd>IN</CdtDbtInd>", "CRDT or DBIT")]
    [InlineData(" Ccy=\"GBP\"", "", "Ccy")]
    public void An_entry_without_direction_or_currency_is_refused(string part, string instead, string told)
    {
        var whole = CamtText.Entry(300, "INV-1010");
        var at = whole.IndexOf(part, StringComparison.Ordinal);
        at.ShouldBeGreaterThan(0);
        var text = new CamtText { Sum = 300, Entries = [whole[..at] + instead + whole[(at + part.Length)..]] };
        Should
            .Throw<RefusedException>(() =>
                KiteLine.Formats.Camt053.Read(System.Text.Encoding.UTF8.GetBytes($"{text}".TrimStart()))
            )
            .Message.ShouldContain(told);
    }
}
