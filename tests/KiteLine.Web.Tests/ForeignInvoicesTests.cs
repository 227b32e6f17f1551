using System.Globalization;
using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Electronic invoices that another program wrote (the npm package @e-invoice-eu/core, by <c>tests/reference/einvoices.mjs</c>)
/// are read with the totals, lines, taxes and terms that were put into them.
/// </summary>
public sealed class ForeignInvoicesTests
{
    public static TheoryData<string> Rows() =>
        [.. File.ReadAllLines(Repository.File("tests", "reference", "einvoices.csv")).Skip(1)];

    [Theory]
    [MemberData(nameof(Rows))]
    public void They_are_read_with_what_was_put_into_them(string row)
    {
        var number = row.Split(',')[0];
        var read = UblInvoice.Read(File.ReadAllBytes(Repository.File("tests", "reference", $"einvoice-{number}.xml")));
        read.Totals.Problems().ShouldBeEmpty();
        (read.Date, read.Currency, read.Reference).ShouldBe((new DateOnly(2026, 3, 2), "EUR", "PO 17"));
        (read.BuyerIds.Single(), read.BuyerNames.Distinct().Single()).ShouldBe(("PEL01", "Pellworm Sail Loft"));
        var totals = read.Totals;
        string.Join(
                ',',
                read.Number,
                read.Kind,
                read.Due?.ToString("O", CultureInfo.InvariantCulture),
                Cents(totals.Net),
                Cents(totals.Tax),
                Cents(totals.Gross),
                Cents(totals.Payable),
                string.Join(
                    " / ",
                    // Allowances and charges on the document stand after the lines.
                    read.Lines.Where(l => l.Text.StartsWith("Rope", StringComparison.Ordinal))
                        .Select(l => $"{Exactly.Plain(l.Quantity)} x {Exactly.Plain(l.UnitPrice)} = {Cents(l.Net)}")
                ),
                string.Join(
                    " / ",
                    read.Taxes.Select(t => $"{Exactly.Plain(t.Percent)} % of {Cents(t.Taxed)} = {Cents(t.Amount)}")
                ),
                read.TermsText.Trim().Replace('\n', ' '),
                read.Credits
            )
            .ShouldBe(row);
    }

    private static string Cents(decimal amount) => amount.ToString("0.00", CultureInfo.InvariantCulture);
}
