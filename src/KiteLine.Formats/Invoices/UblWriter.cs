using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;
using static KiteLine.Formats.UblParts;

namespace KiteLine.Formats;

/// <summary>
/// Writes an invoice or a credit note as UBL 2.1, with the elements that EN 16931 names. What the books do not know, such
/// as the parts of an address, is left out.
/// </summary>
public static class UblWriter
{
    /// <summary>The document as XML in UTF-8.</summary>
    public static byte[] Write(PrintedDocument printed)
    {
        ArgumentNullException.ThrowIfNull(printed);
        var credit = printed.Kind == ItemKind.CreditNote;
        var what = credit ? "CreditNote" : "Invoice";
        var amounts = printed.Content.Amounts;
        var code = amounts.Net.Currency.Code;
        var document = Root(what);
        document.Add(
            Basic("CustomizationID", "urn:cen.eu:en16931:2017"),
            Basic("ID", printed.Number),
            Basic("IssueDate", Day(printed.Date)),
            credit || printed.Due is not { } on ? null : Basic("DueDate", Day(on)),
            Basic(credit ? "CreditNoteTypeCode" : "InvoiceTypeCode", credit ? "381" : "380"),
            printed.ExemptionText.Length > 0 ? Basic("Note", printed.ExemptionText) : null,
            printed.AmendedText.Length > 0 ? Basic("Note", printed.AmendedText) : null,
            Basic("DocumentCurrencyCode", code),
            printed.Reference.Length > 0 ? Basic("BuyerReference", printed.Reference) : null,
            printed.Credits.Length > 0
                ? new XElement(
                    Cac + "BillingReference",
                    new XElement(Cac + "InvoiceDocumentReference", Basic("ID", printed.Credits))
                )
                : null,
            Supplier(printed.From),
            Customer(printed.To),
            Payment(printed.PaymentReference),
            Terms(printed) is { Length: > 0 } terms ? new XElement(Cac + "PaymentTerms", Basic("Note", terms)) : null,
            new XElement(
                Cac + "TaxTotal",
                Amount("TaxAmount", amounts.Tax),
                Taxes(printed.Content)
                    .Select(t => new XElement(
                        Cac + "TaxSubtotal",
                        Amount("TaxableAmount", t.Taxed),
                        Amount("TaxAmount", t.Tax),
                        Category("TaxCategory", t.Percent)
                    ))
            ),
            new XElement(
                Cac + "LegalMonetaryTotal",
                Amount("LineExtensionAmount", amounts.Net),
                Amount("TaxExclusiveAmount", amounts.Net),
                Amount("TaxInclusiveAmount", amounts.Gross),
                Amount("PayableAmount", amounts.Gross)
            ),
            Lines(printed.Content)
                .Select(
                    (l, i) =>
                        new XElement(
                            Cac + $"{what}Line",
                            Basic("ID", $"{i + 1}"),
                            new XElement(
                                Cbc + (credit ? "CreditedQuantity" : "InvoicedQuantity"),
                                new XAttribute("unitCode", "C62"),
                                Exactly.Plain(l.UnitPrice < 0 ? -l.Quantity : l.Quantity)
                            ),
                            Amount("LineExtensionAmount", l.Net),
                            new XElement(
                                Cac + "Item",
                                Basic("Name", l.Text.Length > 0 ? l.Text : printed.Number),
                                Category("ClassifiedTaxCategory", PercentOf(l, printed.Content))
                            ),
                            new XElement(
                                Cac + "Price",
                                new XElement(
                                    Cbc + "PriceAmount",
                                    new XAttribute("currencyID", code),
                                    Exactly.Price(Math.Abs(l.UnitPrice), l.Net.Currency.Decimals)
                                )
                            )
                        )
                )
        );
        return Bytes(document);
    }

    // Discounts of a percent stand in lines that programs read, before the words.
    private static string Terms(PrintedDocument printed) =>
        string.Join(
            '\n',
            printed
                .Discounts.Where(d => d.Percent is not null)
                .Select(d =>
                    string.Create(
                        System.Globalization.CultureInfo.InvariantCulture,
                        $"#SKONTO#TAGE={d.Deadline.DayNumber - printed.Date.DayNumber}#PROZENT={d.Percent:0.00##}#"
                    )
                )
                .Append(printed.TermsText)
                .Where(line => line.Length > 0)
        );

    // Authorities share one code; an electronic invoice knows its whole rate alone.
    private static IEnumerable<(decimal Percent, Money Taxed, Money Tax)> Taxes(DocumentContent content)
    {
        var zero = Money.Zero(content.Amounts.Net.Currency);
        if (content.Taxes.Count == 0)
        {
            var percent = content.Amounts.Net.IsZero
                ? 0
                : Math.Round(content.Amounts.Tax.Amount * 100 / content.Amounts.Net.Amount, 2);
            yield return (percent, content.Amounts.Net, content.Amounts.Tax);
            yield break;
        }

        foreach (var code in content.Taxes.GroupBy(t => t.Code, StringComparer.OrdinalIgnoreCase))
            yield return (code.Sum(t => t.Percent), code.First().Taxed, code.Aggregate(zero, (sum, t) => sum + t.Tax));
        var untaxed = content
            .Taxes.GroupBy(t => t.Code, StringComparer.OrdinalIgnoreCase)
            .Aggregate(content.Amounts.Net, (left, code) => left - code.First().Taxed);
        if (!untaxed.IsZero)
            yield return (0, untaxed, zero);
    }

    private static IEnumerable<DocumentLine> Lines(DocumentContent content) =>
        content.Lines.Count > 0 ? content.Lines : [new("", 1, content.Amounts.Net.Amount, content.Amounts.Net)];

    private static decimal PercentOf(DocumentLine line, DocumentContent content) =>
        content.Lines.Count == 0
            ? Taxes(content).First().Percent
            : content
                .Taxes.Where(t => string.Equals(t.Code, line.TaxCode, StringComparison.OrdinalIgnoreCase))
                .Sum(t => t.Percent);

    private static XElement Category(string name, decimal percent) =>
        new(
            Cac + name,
            Basic("ID", percent == 0 ? "Z" : "S"),
            Basic("Percent", Exactly.Plain(percent)),
            new XElement(Cac + "TaxScheme", Basic("ID", "VAT"))
        );
}
