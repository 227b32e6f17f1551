using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;

namespace KiteLine.Formats;

/// <summary>
/// Reads an <c>Invoice</c> or a <c>CreditNote</c> of the Universal Business Language 2.1 as EN 16931 uses them. Elements
/// that are not needed here are passed over.
/// </summary>
public static class UblInvoice
{
    private static readonly XNamespace Invoice = "urn:oasis:names:specification:ubl:schema:xsd:Invoice-2";

    // More than any document has of each.
    private const int MostNames = 20;
    private const int MostParts = 100;

    private static readonly XNamespace CreditNote = "urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2";

    /// <summary>What the document states.</summary>
    /// <exception cref="RefusedException">It is no XML, neither of the two, or lacks something; names the
    /// element.</exception>
    public static StatedDocument Read(byte[] content)
    {
        ArgumentNullException.ThrowIfNull(content);
        var root = XmlFile.Read(content);
        var credit = root.Name == CreditNote + "CreditNote";
        if (!credit && root.Name != Invoice + "Invoice")
            throw new RefusedException(
                "file",
                "This is neither a UBL 2.1 Invoice nor a CreditNote; its outermost element is "
                    + $"‘{root.Name.LocalName}’ of ‘{root.Name.NamespaceName}’."
            );
        var currency = Text(root, "DocumentCurrencyCode") ?? throw Missing("DocumentCurrencyCode");
        var totals = root.Element(Cac + "LegalMonetaryTotal") ?? throw Missing("LegalMonetaryTotal");
        var lines = root.Elements(Cac + (credit ? "CreditNoteLine" : "InvoiceLine")).ToList();
        if (lines.Count == 0)
            throw Missing(credit ? "CreditNoteLine" : "InvoiceLine");
        if (lines.Count > Bounds.DocumentLines)
            throw new RefusedException(
                "file",
                $"The document has {lines.Count:N0} lines; give at most {Bounds.DocumentLines}."
            );
        var more = root.Elements(Cac + "AllowanceCharge").ToList();
        var taxes = Taxes(root, currency);
        Few(more.Count, "AllowanceCharge");
        Few(taxes.Parts.Count, "TaxSubtotal");
        Few(root.Elements(Cac + "PaymentTerms").Count(), "PaymentTerms");
        return new()
        {
            Kind = credit ? ItemKind.CreditNote : ItemKind.Invoice,
            Number = Text(root, "ID") ?? throw Missing("ID, the number"),
            Date = Day(root.Element(Cbc + "IssueDate")) ?? throw Missing("IssueDate"),
            Currency = currency,
            Due = Day(root.Element(Cbc + "DueDate")) ?? PaymentDue(root),
            TermsText = string.Join('\n', root.Elements(Cac + "PaymentTerms").SelectMany(Notes)),
            Instalments = Instalments(root, currency),
            Reference = Text(root, "BuyerReference") ?? Text(root.Element(Cac + "OrderReference"), "ID") ?? "",
            Credits =
                root.Elements(Cac + "BillingReference")
                    .Select(r => Text(r.Element(Cac + "InvoiceDocumentReference"), "ID"))
                    .FirstOrDefault(id => id is not null)
                ?? "",
            BuyerIds = Buyer(root, "PartyIdentification", "ID"),
            BuyerTaxIds =
            [
                .. Buyer(root, "PartyTaxScheme", "CompanyID"),
                .. Buyer(root, "PartyLegalEntity", "CompanyID"),
            ],
            BuyerNames = [.. Buyer(root, "PartyName", "Name"), .. Buyer(root, "PartyLegalEntity", "RegistrationName")],
            Totals = Totals(totals, lines, more, taxes.Total, taxes.Parts, currency),
            Lines = [.. lines.Select(l => Line(l, credit, currency)), .. more.Select(m => Line(m, currency))],
            Taxes = taxes.Parts,
        };
    }

    private static StatedTotals Totals(
        XElement totals,
        List<XElement> lines,
        List<XElement> more,
        decimal tax,
        IReadOnlyList<StatedDocument.Tax> taxes,
        string currency
    )
    {
        decimal? Of(string name) => Amount(totals.Element(Cbc + name), currency);
        decimal Needed(string name) => Of(name) ?? throw Missing($"{name} of LegalMonetaryTotal");
        decimal[] Amounts(bool charge) =>
            [.. more.Where(m => IsCharge(m) == charge).Select(m => Amount(m.Element(Cbc + "Amount"), currency) ?? 0)];

        return new(
            Needed("LineExtensionAmount"),
            Of("AllowanceTotalAmount") ?? 0,
            Of("ChargeTotalAmount") ?? 0,
            Needed("TaxExclusiveAmount"),
            tax,
            Needed("TaxInclusiveAmount"),
            Of("PrepaidAmount") ?? 0,
            Of("PayableRoundingAmount") ?? 0,
            Needed("PayableAmount"),
            [.. lines.Select(l => Net(l, currency))],
            Amounts(false),
            Amounts(true),
            [.. taxes.Select(t => (t.Taxed, t.Percent, t.Amount))],
            KiteLine.Core.Currency.TryOf(currency, out var known) ? known.Decimals : 2
        );
    }

    // There may be a second total in the currency of the tax authority, without categories.
    private static (decimal Total, IReadOnlyList<StatedDocument.Tax> Parts) Taxes(XElement root, string currency)
    {
        var total = root.Elements(Cac + "TaxTotal")
            .FirstOrDefault(t => t.Element(Cbc + "TaxAmount")?.Attribute("currencyID")?.Value == currency);
        if (total is null)
            return (0, []);
        return (
            Amount(total.Element(Cbc + "TaxAmount"), currency) ?? 0,
            [
                .. total
                    .Elements(Cac + "TaxSubtotal")
                    .Select(s =>
                    {
                        var category = s.Element(Cac + "TaxCategory");
                        return new StatedDocument.Tax(
                            Code(Text(category, "ID")),
                            Code(Text(category?.Element(Cac + "TaxScheme"), "ID")),
                            Number(category?.Element(Cbc + "Percent")) ?? 0,
                            Amount(s.Element(Cbc + "TaxableAmount"), currency)
                                ?? throw Missing("TaxableAmount of a TaxSubtotal"),
                            Amount(s.Element(Cbc + "TaxAmount"), currency)
                                ?? throw Missing("TaxAmount of a TaxSubtotal")
                        );
                    }),
            ]
        );
    }

    private static StatedDocument.Line Line(XElement line, bool credit, string currency)
    {
        var item = line.Element(Cac + "Item");
        var (name, note) = (Text(item, "Name") ?? "", Text(item, "Description") ?? "");
        var quantity = Number(line.Element(Cbc + (credit ? "CreditedQuantity" : "InvoicedQuantity"))) ?? 1;
        var price = line.Element(Cac + "Price");
        // A price may be stated for a number of units, such as for a hundred.
        var per = Number(price?.Element(Cbc + "BaseQuantity")) ?? 1;
        var net = Net(line, currency);
        return new(
            Short(
                note.Length == 0 || note == name ? name
                : name.Length == 0 ? note
                : $"{name}: {note}"
            ),
            quantity,
            (Amount(price?.Element(Cbc + "PriceAmount"), currency) ?? net) / (per == 0 ? 1 : per),
            net,
            Category(item?.Element(Cac + "ClassifiedTaxCategory"))
        );
    }

    private static StatedDocument.Line Line(XElement more, string currency)
    {
        var amount = Amount(more.Element(Cbc + "Amount"), currency) ?? throw Missing("Amount of an AllowanceCharge");
        var (net, name) = IsCharge(more) ? (amount, "Charge") : (-amount, "Allowance");
        var reason = Text(more, "AllowanceChargeReason");
        return new(
            Short(reason is null ? name : $"{name}: {reason}"),
            1,
            net,
            net,
            Category(more.Element(Cac + "TaxCategory"))
        );
    }

    private static decimal Net(XElement line, string currency) =>
        Amount(line.Element(Cbc + "LineExtensionAmount"), currency) ?? throw Missing("LineExtensionAmount of a line");

    private static bool IsCharge(XElement more) => Text(more, "ChargeIndicator") is "true" or "1";

    private static string Category(XElement? category) =>
        $"{Code(Text(category, "ID"))} {Code(Text(category, "Percent"))}".Trim();

    // A code of a category or scheme; what is longer, or holds anything but signs, is none.
    private static string Code(string? text) =>
        text is { Length: <= 20 } && TextBounds.Problem(text) is null ? text : "";

    private static DateOnly? PaymentDue(XElement root) =>
        root.Elements(Cac + "PaymentMeans")
            .Select(m => Day(m.Element(Cbc + "PaymentDueDate")))
            .FirstOrDefault(d => d is not null);

    private static IEnumerable<string> Notes(XElement terms) =>
        terms.Elements(Cbc + "Note").Select(n => n.Value.Trim());

    private static List<(DateOnly, decimal?, decimal?)> Instalments(XElement root, string currency)
    {
        var stated = new List<(DateOnly, decimal?, decimal?)>();
        foreach (var terms in root.Elements(Cac + "PaymentTerms"))
        {
            var due = Day(terms.Element(Cbc + "InstallmentDueDate")) ?? Day(terms.Element(Cbc + "PaymentDueDate"));
            var amount = Amount(terms.Element(Cbc + "Amount"), currency);
            var percent = Number(terms.Element(Cbc + "PaymentPercent"));
            if (due is { } on && (amount ?? percent) is not null)
                stated.Add((on, amount, percent));
        }

        return stated;
    }

    private static List<string> Buyer(XElement root, string element, string name) =>
        [
            .. (root.Element(Cac + "AccountingCustomerParty")?.Element(Cac + "Party")?.Elements(Cac + element) ?? [])
                .Select(e => Text(e, name))
                .OfType<string>()
                // Each is looked for in the books.
                .Take(MostNames),
        ];

    private static string Short(string text) =>
        text.Length <= Bounds.FieldValue ? text : text[..(Bounds.FieldValue - 1)] + "…";

    private static void Few(int count, string what)
    {
        if (count > MostParts)
            throw new RefusedException(
                "file",
                $"The document has {count:N0} elements {what}; give at most {MostParts}."
            );
    }

    private static RefusedException Missing(string what) => new("file", $"The document lacks {what}.");
}
