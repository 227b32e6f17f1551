using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Invoices and credit notes as they are printed, read by a reader of PDF that is not ours.</summary>
public sealed class InvoicePdfTests
{
    private static readonly Currency Gbp = Currency.Of("GBP");

    private static PrintedDocument Invoice(int lines, ItemKind kind = ItemKind.Invoice)
    {
        DocumentLine[] supplied =
        [
            .. Enumerable
                .Range(1, lines)
                .Select(i =>
                    DocumentLine.Of(
                        i % 9 == 0 ? $"Rope {i}, " + string.Join(' ', Enumerable.Repeat("spliced", 12)) : $"Rope {i}",
                        2,
                        5.25m,
                        Gbp,
                        RoundingRule.HalfAwayFromZero,
                        "STD"
                    )
                ),
        ];
        var net = Money.FromMinor(1050 * lines, Gbp);
        var tax = Money.FromMinor(210 * lines, Gbp);
        return new()
        {
            Kind = kind,
            Number = "INV-02593",
            Date = new(2026, 3, 16),
            Reference = "PO 17",
            From = new("Test Rope", ["1 Quay", "Harbour"], ["Bank of Harbour, IBAN GB29 NWBK 6016 1331 9268 19"]),
            To = new("PEL01", "Pellworm Sail Loft", ["2 Slip", "Harbour"]),
            Content = new(new(net, tax, Money.Zero(Gbp)), supplied, [new("STD", "HMRC", 20, net, tax)]),
            TermsText = kind == ItemKind.Invoice ? "Pay it by 26 Mar 2026." : "",
            LateChargeText = kind == ItemKind.Invoice ? "Paid late, it bears interest: 8% a year." : "",
            PaymentReference = kind == ItemKind.Invoice ? CreditorReference.ForDocument("INV-02593") : "",
        };
    }

    private static string[] Pages(PrintedDocument document)
    {
        using var pdf = PdfDocument.Open(InvoicePdf.Render(document));
        return [.. pdf.GetPages().Select(p => string.Join(' ', p.GetWords().Select(w => w.Text)))];
    }

    [Fact]
    public void It_says_what_was_supplied_what_it_comes_to_and_how_to_pay()
    {
        var page = Pages(Invoice(3)).ShouldHaveSingleItem();
        foreach (
            var text in new[]
            {
                "Test Rope",
                "Pellworm Sail Loft",
                "Invoice INV-02593",
                "Your reference PO 17",
                "Rope 2 2 5.25 10.50",
                "Net 31.50",
                "HMRC 20 % of 31.50 6.30",
                "Total GBP 37.80",
                "Pay it by 26 Mar 2026.",
                "Paid late, it bears interest: 8% a year.",
                "IBAN GB29",
            }
        )
            page.ShouldContain(text);
        // The reference is ISO 11649 over the number without its hyphen.
        CreditorReference.IsValid(CreditorReference.ForDocument("INV-02593")).ShouldBeTrue();
        page.ShouldContain($"{CreditorReference.ForDocument("INV-02593")[..4]} INV0 2593");
    }

    [Fact]
    public void What_goes_over_a_page_is_carried_on_with_what_it_comes_to_so_far()
    {
        var pages = Pages(Invoice(100));
        pages.Length.ShouldBeGreaterThan(2);
        var carried = 0m;
        for (var i = 0; i < pages.Length; i++)
        {
            if (i > 0)
                pages[i].ShouldContain($"Brought forward {carried:N2}");
            carried += 10.50m * pages[i].Split(' ').Count(w => w == "5.25");
            if (i < pages.Length - 1 && pages[i + 1].Contains("Brought forward", StringComparison.Ordinal))
                pages[i].ShouldEndWith($"Carried forward {carried:N2}");
        }

        carried.ShouldBe(1050);
        pages[^1].ShouldContain("Total GBP 1,260.00");
    }

    [Fact]
    public void However_full_the_page_is_the_foot_stands_once_beneath_something()
    {
        foreach (var lines in Enumerable.Range(16, 24))
        {
            var pages = Pages(Invoice(lines));
            pages.Count(p => p.Contains("Bank of Harbour", StringComparison.Ordinal)).ShouldBe(1);
            pages[^1].ShouldContain("Bank of Harbour");
            pages.ShouldAllBe(p => p.Length > 80);
        }
    }

    [Fact]
    public void A_credit_note_asks_for_nothing()
    {
        var page = Pages(Invoice(1, ItemKind.CreditNote) with { Number = "CRN-1", Credits = "INV-1" }).Single();
        page.ShouldContain("Credit note CRN-1 for invoice INV-1");
        page.ShouldContain("Credited to your account GBP 12.60");
        page.ShouldNotContain("Please pay");
    }

    [Theory]
    [InlineData("INV-1001", "RF")]
    [InlineData("Ü-1", "")]
    [InlineData("A-number-that-is-much-too-long", "")]
    public void A_number_that_has_no_such_form_gets_no_reference(string number, string begins) =>
        CreditorReference.ForDocument(number)[..begins.Length].ShouldBe(begins);
}
