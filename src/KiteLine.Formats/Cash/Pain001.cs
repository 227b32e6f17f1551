using System.Globalization;
using System.Text;
using System.Xml;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Writes payments that the bank is asked to make (ISO 20022, pain.001.001.09).</summary>
public static class Pain001
{
    /// <summary>The namespace of the version that is written.</summary>
    public const string Namespace = "urn:iso:std:iso:20022:tech:xsd:pain.001.001.09";

    /// <summary>One message with one group of payments, each with its own reference.</summary>
    public static byte[] Write(PaymentOrder order)
    {
        ArgumentNullException.ThrowIfNull(order);
        using var file = new MemoryStream();
        var settings = new XmlWriterSettings { Encoding = new UTF8Encoding(false), Indent = true };
        using (var xml = XmlWriter.Create(file, settings))
            Write(xml, order);
        return file.ToArray();
    }

    private static void Write(XmlWriter xml, PaymentOrder order)
    {
        var count = order.Lines.Count.ToString(CultureInfo.InvariantCulture);
        var sum = Plain(order.Lines.Aggregate(Money.Zero(order.Currency), (all, l) => all + l.Amount));
        void Text(string name, string text) => xml.WriteElementString(name, Namespace, text);
        void Open(string name) => xml.WriteStartElement(name, Namespace);
        void Close(int levels)
        {
            for (var i = 0; i < levels; i++)
                xml.WriteEndElement();
        }

        Open("Document");
        Open("CstmrCdtTrfInitn");
        Open("GrpHdr");
        Text("MsgId", order.MessageId);
        Text("CreDtTm", order.CreatedAt.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture));
        Text("NbOfTxs", count);
        Text("CtrlSum", sum);
        Open("InitgPty");
        Text("Nm", Cut(order.Payer, 70));
        Close(2);
        Open("PmtInf");
        Text("PmtInfId", order.MessageId);
        Text("PmtMtd", "TRF");
        Text("NbOfTxs", count);
        Text("CtrlSum", sum);
        Open("ReqdExctnDt");
        Text("Dt", order.ExecuteOn.ToString("O", CultureInfo.InvariantCulture));
        Close(1);
        Open("Dbtr");
        Text("Nm", Cut(order.Payer, 70));
        Close(1);
        Open("DbtrAcct");
        Account(order.Account);
        Text("Ccy", order.Currency.Code);
        Close(1);
        Open("DbtrAgt");
        Open("FinInstnId");
        Open("Othr");
        Text("Id", "NOTPROVIDED");
        Close(3);
        foreach (var line in order.Lines)
        {
            Open("CdtTrfTxInf");
            Open("PmtId");
            Text("EndToEndId", Cut(line.EndToEnd, 35));
            Close(1);
            Open("Amt");
            Open("InstdAmt");
            xml.WriteAttributeString("Ccy", order.Currency.Code);
            xml.WriteString(Plain(line.Amount));
            Close(2);
            Open("Cdtr");
            Text("Nm", Cut(line.Holder, 70));
            Close(1);
            Open("CdtrAcct");
            Account(line.Account);
            Close(1);
            Open("RmtInf");
            Text("Ustrd", Cut(line.Text, 140));
            Close(2);
        }

        Close(3);

        void Account(string number)
        {
            Open("Id");
            if (Iban.IsValid(number))
                Text("IBAN", Iban.Plain(number));
            else
            {
                Open("Othr");
                Text("Id", Cut(number, 34));
                Close(1);
            }

            Close(1);
        }
    }

    private static string Plain(Money amount) =>
        amount.Amount.ToString("F" + amount.Currency.Decimals, CultureInfo.InvariantCulture);

    private static string Cut(string text, int most) => text.Length <= most ? text : text[..most];
}
