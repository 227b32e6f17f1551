using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;

namespace KiteLine.Formats;

/// <summary>Reads an <c>Order</c> of the Universal Business Language 2.1 (OASIS Standard of 4 November 2013).</summary>
public static class UblOrder
{
    private static readonly XNamespace Order = "urn:oasis:names:specification:ubl:schema:xsd:Order-2";

    /// <summary>
    /// What an order needs of the document: its number, date, currency and customer; the anticipated total, or else
    /// the sum of its lines with their tax; and the day of delivery.
    /// </summary>
    /// <exception cref="RefusedException">It is no XML, no such order, or lacks something; names the
    /// element.</exception>
    public static OrderDocument Read(byte[] content)
    {
        ArgumentNullException.ThrowIfNull(content);
        var root = XmlFile.Read(content);
        if (root.Name != Order + "Order")
            throw new RefusedException(
                "file",
                $"This is no UBL 2.1 Order; its outermost element is ‘{root.Name.LocalName}’ of ‘{root.Name.NamespaceName}’."
            );
        var number = Text(root, "ID") ?? throw Missing("ID, the order's number");
        var date = Day(root.Element(Cbc + "IssueDate")) ?? throw Missing("IssueDate, its date");
        var currency =
            Text(root, "DocumentCurrencyCode")
            ?? root.Descendants().Attributes("currencyID").FirstOrDefault()?.Value
            ?? throw Missing("DocumentCurrencyCode");
        var buyer = root.Element(Cac + "BuyerCustomerParty");
        var customer = buyer is null
            ? null
            : Text(buyer, "SupplierAssignedAccountID")
                ?? Text(buyer, "CustomerAssignedAccountID")
                ?? Party(buyer.Element(Cac + "Party"));
        var total =
            Amount(root.Element(Cac + "AnticipatedMonetaryTotal")?.Element(Cbc + "PayableAmount"), currency)
            ?? Lines(root, currency)
            ?? throw Missing("AnticipatedMonetaryTotal with its PayableAmount");
        var delivery = root.Elements(Cac + "Delivery")
            .Select(d => d.Element(Cac + "RequestedDeliveryPeriod"))
            .OfType<XElement>()
            .Select(p => Day(p.Element(Cbc + "EndDate")) ?? Day(p.Element(Cbc + "StartDate")))
            .FirstOrDefault(d => d is not null);
        return new(
            1,
            customer ?? throw Missing("BuyerCustomerParty with an account number, identifier or name"),
            number,
            date,
            currency,
            total,
            delivery is { } on ? [(on, total)] : [],
            Text(root, "CustomerReference") ?? ""
        );
    }

    private static decimal? Lines(XElement root, string currency)
    {
        decimal sum = 0;
        var items = root.Elements(Cac + "OrderLine")
            .Select(l => l.Element(Cac + "LineItem"))
            .OfType<XElement>()
            .ToList();
        if (items.Count == 0)
            return null;
        foreach (var item in items)
        {
            if (Amount(item.Element(Cbc + "LineExtensionAmount"), currency) is not { } net)
                return null;
            sum += net + (Amount(item.Element(Cbc + "TotalTaxAmount"), currency) ?? 0);
        }

        return sum;
    }

    private static string? Party(XElement? party) =>
        party is null
            ? null
            : party
                .Elements(Cac + "PartyTaxScheme")
                .Select(t => Text(t, "CompanyID"))
                .FirstOrDefault(id => id is not null)
                ?? party
                    .Elements(Cac + "PartyIdentification")
                    .Select(i => Text(i, "ID"))
                    .FirstOrDefault(id => id is not null)
                ?? party
                    .Elements(Cac + "PartyName")
                    .Select(n => Text(n, "Name"))
                    .FirstOrDefault(name => name is not null)
                ?? party
                    .Elements(Cac + "PartyLegalEntity")
                    .Select(n => Text(n, "RegistrationName"))
                    .FirstOrDefault(name => name is not null);

    private static RefusedException Missing(string what) => new("file", $"The order lacks {what}.");
}
