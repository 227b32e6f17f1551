using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Electronic invoices and credit notes as the command line takes them.</summary>
public sealed class DocumentsCommandTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public DocumentsCommandTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                return CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = new(2026, 3, 16),
                    },
                    stored.Version,
                    "tests"
                );
            }
        );

    public void Dispose() => _app.Dispose();

    private string File(string text, string name = "one.xml")
    {
        var path = Path.Combine(_app.Folder, name);
        System.IO.File.WriteAllText(path, text);
        return path;
    }

    private (int Exit, JsonElement[] Documents) Run(bool dryRun, params string[] files)
    {
        using var progress = new StringWriter();
        using var answer = new StringWriter();
        var exit = new DocumentsCommand(progress, answer).Run(files, _app.Books, dryRun);
        return exit == 2
            ? (exit, [])
            : (exit, [.. JsonDocument.Parse(answer.ToString()).RootElement.GetProperty("documents").EnumerateArray()]);
    }

    private JsonElement Seen(UblText text) => Run(true, File($"{text}")).Documents.ShouldHaveSingleItem();

    private string[] Problems(UblText text) =>
        [.. Seen(text).GetProperty("problems").EnumerateArray().Select(p => p.GetString()!)];

    private string Due(UblText text)
    {
        var seen = Seen(text);
        seen.GetProperty("problems").GetArrayLength().ShouldBe(0, $"{seen}");
        return seen.GetProperty("due").GetString()!;
    }

    private static string Part(int percent, string due) =>
        $"<cac:PaymentTerms><cbc:PaymentPercent>{percent}</cbc:PaymentPercent>"
        + $"<cbc:PaymentDueDate>{due}</cbc:PaymentDueDate></cac:PaymentTerms>";

    private static string More(bool charge, string amount, string reason) =>
        $"<cac:AllowanceCharge><cbc:ChargeIndicator>{(charge ? "true" : "false")}</cbc:ChargeIndicator>{reason}"
        + $"<cbc:Amount currencyID=\"GBP\">{amount}</cbc:Amount></cac:AllowanceCharge>";

    private static string Note(string note) => $"<cac:PaymentTerms><cbc:Note>{note}</cbc:Note></cac:PaymentTerms>";

    [Fact]
    public void What_is_read_is_told_and_stored()
    {
        var file = File($"{new UblText()}");
        var (exit, documents) = Run(true, file);
        exit.ShouldBe(0);
        var d = documents.ShouldHaveSingleItem();
        string.Join(
                ' ',
                new[] { "number", "type", "account", "date", "due", "net", "tax", "gross" }.Select(f =>
                    $"{d.GetProperty(f)}"
                )
            )
            .ShouldBe("INV-1 invoice PEL01 2026-03-02 2026-04-01 150.00 30.00 180.00");
        Run(false, file).Exit.ShouldBe(0);
        var account = _app.Books.Read(c => AccountStore.Get(c, "PEL01"));
        var item = _app.Books.Read(c => _app.Desk.Items.Details(c, account)).ShouldHaveSingleItem();
        $"{item.Number} {item.Item.Left} {item.Item.Due:O} {item.Reference}".ShouldBe("INV-1 180.00 2026-04-01 PO 17");
        _app.Books.Read(c => DocumentHistory.LineTotals(c, account, new(2026, 1, 1), new(2026, 12, 31)))
            .ShouldBe((3, 15000, 3000));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
        // The same again is refused, not doubled.
        var again = Run(false, file);
        again.Exit.ShouldBe(1);
        $"{again.Documents[0].GetProperty("problems")[0]}".ShouldContain("‘INV-1’ already");
    }

    [Theory]
    [InlineData("<cbc:DueDate>2026-03-20</cbc:DueDate>", "30 days net", "2026-03-20")]
    [InlineData("", "30 days net", "2026-04-01")]
    [InlineData("", "Payment within 45 days", "2026-04-16")]
    [InlineData("", "2 % discount within 10 days, net 60 days", "2026-05-01")]
    [InlineData("", "n/14 EOM", "2026-04-14")]
    [InlineData("", "#SKONTO#TAGE=14#PROZENT=2.00#\nnet 20", "2026-03-22")]
    [InlineData("", "#SKONTO#TAGE=14#PROZENT=2.00#", "2026-04-01")]
    [InlineData("", "payable by 2026-03-31", "2026-03-31")]
    [InlineData("", "as agreed", "2026-04-01")]
    public void It_is_due_on_its_day_or_by_its_terms_or_the_customers(string dates, string note, string due) =>
        Due(new() { Dates = dates, Terms = Note(note) }).ShouldBe(due);

    [Fact]
    public void The_due_date_of_the_means_of_payment_counts_where_there_is_no_other() =>
        Due(
                new()
                {
                    Terms =
                        "<cac:PaymentMeans><cbc:PaymentDueDate>2026-03-25</cbc:PaymentDueDate></cac:PaymentMeans>"
                        + Note("30 days"),
                }
            )
            .ShouldBe("2026-03-25");

    [Fact]
    public void Discounts_and_instalments_that_it_states_hold_for_it()
    {
        var discount = new UblText
        {
            Terms = Note("#SKONTO#TAGE=7#PROZENT=3.00#\n#SKONTO#TAGE=14#PROZENT=1.00#\nnet 40"),
        };
        var parts = new UblText { Number = "INV-2", Terms = Part(40, "2026-03-12") + Part(60, "2026-04-11") };
        Run(false, File($"{discount}"), File($"{parts}", "two.xml")).Exit.ShouldBe(0);
        var items = _app.Books.Read(c => _app.Desk.Items.Details(c, AccountStore.Get(c, "PEL01")));
        items
            .Select(i =>
                $"{i.Item.Document} {i.Item.Due:O} {i.Item.Left}"
                + string.Concat(i.Item.Discounts.Select(d => $" {d.Deadline:O} {d.Amount}"))
            )
            .ShouldBe([
                "INV-2/1 2026-03-12 72.00",
                "INV-1 2026-04-11 180.00 2026-03-09 5.40 2026-03-16 1.80",
                "INV-2/2 2026-04-11 108.00",
            ]);
    }

    [Theory]
    [InlineData("<cac:PartyIdentification><cbc:ID>pel01</cbc:ID></cac:PartyIdentification>", "PEL01")]
    [InlineData("<cac:PartyTaxScheme><cbc:CompanyID>GB 980 7806 84</cbc:CompanyID></cac:PartyTaxScheme>", "TAX01")]
    [InlineData("<cac:PartyName><cbc:Name>Pellworm Sail Loft</cbc:Name></cac:PartyName>", "PEL01")]
    [InlineData(
        "<cac:PartyLegalEntity><cbc:RegistrationName>Tax Shipwrights</cbc:RegistrationName></cac:PartyLegalEntity>",
        "TAX01"
    )]
    [InlineData("<cac:PartyName><cbc:Name>Pellworm</cbc:Name></cac:PartyName>", null)]
    public void The_buyer_is_found_by_code_identifier_or_exact_name(string buyer, string? code)
    {
        _app.Books.Write(
            "tests",
            tx =>
                AccountStore.Open(
                    tx,
                    new("Tax Shipwrights", "TAX01", Profile: new() { Identifiers = [new("VAT-GB", "GB980780684")] })
                )
        );
        var seen = Seen(new() { Buyer = buyer });
        seen.GetProperty("account").GetString().ShouldBe(code);
        seen.GetProperty("problems").GetArrayLength().ShouldBe(code is null ? 1 : 0);
    }

    [Theory]
    [InlineData("BR-CO-17", "30.01", null, null)]
    [InlineData("BR-CO-15", null, "180.01", null)]
    [InlineData("BR-CO-16", null, null, "179.99")]
    public void Totals_that_do_not_follow_the_rules_are_told(
        string rule,
        string? tax,
        string? gross,
        string? payable
    ) =>
        Problems(
                new()
                {
                    Tax = tax,
                    Gross = gross,
                    Payable = payable,
                }
            )
            .ShouldContain(p => p.Contains(rule));

    [Fact]
    public void What_is_prepaid_and_rounded_changes_only_what_is_open()
    {
        string Money(string name, string amount) => $"<cbc:{name} currencyID=\"GBP\">{amount}</cbc:{name}>";
        var text = new UblText
        {
            Lines = [100.02m],
            Prepaid = Money("PrepaidAmount", "50.00") + Money("PayableRoundingAmount", "-0.02"),
            Payable = "70.00",
        };
        var seen = Seen(text);
        seen.GetProperty("problems").GetArrayLength().ShouldBe(0, $"{seen}");
        seen.GetProperty("gross").GetString().ShouldBe("120.02");
        Run(false, File($"{text}")).Exit.ShouldBe(0);
        var item = _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "PEL01"))).ShouldHaveSingleItem();
        item.Left.ShouldBe(Money2(70));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    private static Money Money2(decimal amount) => Core.Money.Exact(amount, Currency.Of("GBP"));

    [Fact]
    public void Allowances_and_charges_on_the_document_are_lines_of_it()
    {
        var text = new UblText
        {
            Off = 15,
            Charged = 5,
            Allowances =
                More(false, "15.00", "<cbc:AllowanceChargeReason>Loyalty</cbc:AllowanceChargeReason>")
                + More(true, "5.00", ""),
        };
        Run(false, File($"{text}")).Exit.ShouldBe(0);
        var account = _app.Books.Read(c => AccountStore.Get(c, "PEL01"));
        var lines = _app.Books.Read(c =>
            DocumentHistory.ByLine(c, account, new(2026, 1, 1), new(2026, 12, 31), 0, 99).ToList()
        );
        lines
            .Select(l => $"{l.Text} {l.Net + l.Tax}")
            .ShouldBe(["Rope 1 10000", "Rope 2 5000", "Allowance: Loyalty -1500", "Charge 500", "VAT 20 % 2800"]);
    }

    [Fact]
    public void A_credit_note_is_set_against_the_invoice_that_it_names()
    {
        var note = new UblText
        {
            Credit = true,
            Number = "CRN-1",
            Lines = [50],
            More =
                "<cac:BillingReference><cac:InvoiceDocumentReference><cbc:ID>INV-1</cbc:ID>"
                + "</cac:InvoiceDocumentReference></cac:BillingReference>",
        };
        var (exit, documents) = Run(false, File($"{new UblText()}"), File($"{note}", "note.xml"));
        exit.ShouldBe(0);
        $"{documents[1].GetProperty("type")} {documents[1].GetProperty("gross")}".ShouldBe("credit 60.00");
        var items = _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "PEL01")));
        items.ShouldHaveSingleItem().Left.ShouldBe(Money2(120));
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void A_file_that_cannot_be_read_is_told_and_the_good_ones_are_stored()
    {
        var deep = string.Concat(Enumerable.Repeat("<a>", 101)) + string.Concat(Enumerable.Repeat("</a>", 101));
        var (exit, documents) = Run(
            false,
            File("<Invoice", "cut.xml"),
            File($"{new UblText { Before = "<!DOCTYPE Invoice [<!ENTITY x \"y\">]>" }}", "type.xml"),
            File(deep, "deep.xml"),
            File($"{new UblText { Currency = "XQQ" }}", "odd.xml"),
            File($"{new UblText()}", "good.xml"),
            File($"{new UblText()}", "twice.xml")
        );
        exit.ShouldBe(1);
        documents
            .Select(d => d.GetProperty("problems").GetArrayLength() == 0)
            .ShouldBe([false, false, false, false, true, false]);
        _app.Books.Read(c => _app.Desk.Items.Items(c, AccountStore.Get(c, "PEL01"))).Count.ShouldBe(1);
    }

    [Fact]
    public void Texts_and_lists_without_end_are_refused_or_passed_over()
    {
        Problems(new() { Number = new string('9', 201) }).ShouldHaveSingleItem().ShouldContain("The number");
        Problems(new() { Lines = [.. Enumerable.Repeat(1m, 501)] }).ShouldHaveSingleItem().ShouldContain("501 lines");
        Problems(new() { Terms = string.Concat(Enumerable.Repeat(Note("30 days"), 101)) })
            .ShouldHaveSingleItem()
            .ShouldContain("PaymentTerms");
        Due(new() { Terms = Note(string.Concat(Enumerable.Repeat("2 % 10 days ", 500))) }).ShouldBe("2026-04-01");
        var names = string.Concat(
            Enumerable.Repeat("<cac:PartyIdentification><cbc:ID>NONE</cbc:ID></cac:PartyIdentification>", 5000)
        );
        Problems(new() { Buyer = names }).ShouldHaveSingleItem().ShouldContain("No account");
    }

    [Fact]
    public void A_file_that_is_not_there_is_an_unusable_call() =>
        Run(true, Path.Combine(_app.Folder, "none.xml")).Exit.ShouldBe(2);
}
