using System.Globalization;
using System.Text;

namespace KiteLine.Web.Tests;

/// <summary>Writes down an electronic invoice or credit note, element by element as a test needs it.</summary>
internal sealed record UblText
{
    internal bool Credit { get; init; }
    internal string Number { get; init; } = "INV-1";
    internal string Date { get; init; } = "2026-03-02";
    internal string Currency { get; init; } = "GBP";
    internal string Dates { get; init; } = "";
    internal string Terms { get; init; } = "";
    internal string Buyer { get; init; } = "<cac:PartyIdentification><cbc:ID>PEL01</cbc:ID></cac:PartyIdentification>";
    internal string Before { get; init; } = "";
    internal string More { get; init; } = "";
    internal IReadOnlyList<decimal> Lines { get; init; } = [100, 50];
    internal decimal Percent { get; init; } = 20;
    internal string? Tax { get; init; }
    internal string? Gross { get; init; }
    internal string Allowances { get; init; } = "";
    internal decimal Off { get; init; }
    internal decimal Charged { get; init; }
    internal string Prepaid { get; init; } = "";
    internal string? Payable { get; init; }

    public override string ToString()
    {
        var what = Credit ? "CreditNote" : "Invoice";
        var net = Lines.Sum() - Off + Charged;
        var tax = Tax ?? Figure(Math.Round(net * Percent / 100, 2, MidpointRounding.AwayFromZero));
        var gross = Gross ?? Figure(net + decimal.Parse(tax, CultureInfo.InvariantCulture));
        string Money(string name, string amount) => $"<cbc:{name} currencyID=\"{Currency}\">{amount}</cbc:{name}>";
        var text = new StringBuilder(
            $"""
            <?xml version="1.0" encoding="UTF-8"?>{Before}
            <{what} xmlns="urn:oasis:names:specification:ubl:schema:xsd:{what}-2"
                xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2"
                xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
              <cbc:ID>{Number}</cbc:ID><cbc:IssueDate>{Date}</cbc:IssueDate>{Dates}
              <cbc:DocumentCurrencyCode>{Currency}</cbc:DocumentCurrencyCode>
              <cbc:BuyerReference>PO 17</cbc:BuyerReference>{More}
              <cac:AccountingCustomerParty><cac:Party>{Buyer}</cac:Party></cac:AccountingCustomerParty>
              {Terms}{Allowances}
              <cac:TaxTotal>{Money("TaxAmount", tax)}
                <cac:TaxSubtotal>{Money("TaxableAmount", Figure(net))}{Money("TaxAmount", tax)}
                  <cac:TaxCategory><cbc:ID>S</cbc:ID><cbc:Percent>{Figure(Percent)}</cbc:Percent>
                    <cac:TaxScheme><cbc:ID>VAT</cbc:ID></cac:TaxScheme></cac:TaxCategory></cac:TaxSubtotal>
              </cac:TaxTotal>
              <cac:LegalMonetaryTotal>{Money("LineExtensionAmount", Figure(Lines.Sum()))}
                {Money("TaxExclusiveAmount", Figure(net))}{Money("TaxInclusiveAmount", gross)}
                {(Off == 0 ? "" : Money("AllowanceTotalAmount", Figure(Off)))}
                {(Charged == 0 ? "" : Money("ChargeTotalAmount", Figure(Charged)))}
                {Prepaid}{Money("PayableAmount", Payable ?? gross)}
              </cac:LegalMonetaryTotal>
            """
        );
        for (var i = 0; i < Lines.Count; i++)
            text.Append(
                CultureInfo.InvariantCulture,
                $"""
                <cac:{what}Line><cbc:ID>{i + 1}</cbc:ID>
                  <cbc:{(Credit ? "Credited" : "Invoiced")}Quantity unitCode="C62">2</cbc:{(
                    Credit ? "Credited" : "Invoiced"
                )}Quantity>
                  {Money("LineExtensionAmount", Figure(Lines[i]))}
                  <cac:Item><cbc:Name>Rope {i + 1}</cbc:Name><cac:ClassifiedTaxCategory><cbc:ID>S</cbc:ID>
                    <cbc:Percent>{Figure(Percent)}</cbc:Percent></cac:ClassifiedTaxCategory></cac:Item>
                  <cac:Price>{Money("PriceAmount", Figure(Lines[i] / 2))}</cac:Price>
                </cac:{what}Line>
                """
            );
        return text.Append(CultureInfo.InvariantCulture, $"</{what}>").ToString();
    }

    internal static string Figure(decimal amount) => amount.ToString("0.00##", CultureInfo.InvariantCulture);
}
