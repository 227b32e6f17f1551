using System.Globalization;
using System.Text;
using System.Xml;
using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;

namespace KiteLine.Formats;

/// <summary>What the documents that we write as UBL 2.1 have in common.</summary>
internal static class UblParts
{
    /// <summary>An empty document of a kind, such as Invoice.</summary>
    internal static XElement Root(string kind)
    {
        XNamespace root = $"urn:oasis:names:specification:ubl:schema:xsd:{kind}-2";
        return new XElement(
            root + kind,
            new XAttribute(XNamespace.Xmlns + "cac", Cac),
            new XAttribute(XNamespace.Xmlns + "cbc", Cbc)
        );
    }

    /// <summary>The document in UTF-8.</summary>
    internal static byte[] Bytes(XElement document)
    {
        using var stream = new MemoryStream();
        using (var writer = XmlWriter.Create(stream, new() { Indent = true, Encoding = new UTF8Encoding(false) }))
            document.Save(writer);
        return stream.ToArray();
    }

    internal static XElement Basic(string name, string text) => new(Cbc + name, text);

    internal static XElement Amount(string name, Money amount) =>
        new(Cbc + name, new XAttribute("currencyID", amount.Currency.Code), amount.ToString());

    internal static string Day(DateOnly day) => day.ToString("O", CultureInfo.InvariantCulture);

    internal static XElement Supplier(Letterhead from) => Party("AccountingSupplierParty", "", from.Name, from.Address);

    internal static XElement Customer(Addressee to) =>
        Party("AccountingCustomerParty", to.AccountCode, to.Name, to.Address);

    /// <summary>By bank transfer, with the reference to pay with; null without one.</summary>
    internal static XElement? Payment(string reference, DateOnly? due = null) =>
        reference.Length == 0
            ? null
            : new XElement(
                Cac + "PaymentMeans",
                Basic("PaymentMeansCode", "30"),
                due is { } day ? Basic("PaymentDueDate", Day(day)) : null,
                Basic("PaymentID", reference)
            );

    private static XElement Party(string role, string code, string name, IReadOnlyList<string> address) =>
        new(
            Cac + role,
            new XElement(
                Cac + "Party",
                code.Length > 0 ? new XElement(Cac + "PartyIdentification", Basic("ID", code)) : null,
                new XElement(Cac + "PartyName", Basic("Name", name)),
                address.Count == 0
                    ? null
                    : new XElement(
                        Cac + "PostalAddress",
                        address.Select(line => new XElement(Cac + "AddressLine", Basic("Line", line)))
                    ),
                new XElement(Cac + "PartyLegalEntity", Basic("RegistrationName", name))
            )
        );
}
