using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;
using static KiteLine.Formats.UblParts;

namespace KiteLine.Formats;

/// <summary>
/// Writes a statement of account as a UBL 2.1 Statement (OASIS Standard of 4 November 2013): the balance brought forward in
/// its first line, then a line for each movement.
/// </summary>
public static class UblStatement
{
    /// <summary>The document as XML in UTF-8.</summary>
    public static byte[] Write(PrintedStatement printed)
    {
        ArgumentNullException.ThrowIfNull(printed);
        var s = printed.Statement;
        var document = Root("Statement");
        document.Add(
            Basic("UBLVersionID", "2.1"),
            Basic("ID", printed.Number),
            Basic("IssueDate", Day(printed.Date)),
            Basic("DocumentCurrencyCode", printed.Currency.Code),
            Amount("TotalDebitAmount", s.Debits),
            Amount("TotalCreditAmount", s.Credits),
            Amount("TotalBalanceAmount", s.Closing),
            Basic("LineCountNumeric", $"{s.Lines.Count + 1}"),
            new XElement(Cac + "StatementPeriod", Basic("StartDate", Day(s.From)), Basic("EndDate", Day(s.To))),
            Supplier(printed.From),
            Customer(printed.To),
            s.Due.IsZero ? null : Payment(printed.PaymentReference),
            new XElement(
                Cac + "StatementLine",
                Basic("ID", "1"),
                Basic("BalanceBroughtForwardIndicator", "true"),
                Amount("BalanceAmount", s.Opening)
            ),
            s.Lines.Select(
                (l, i) =>
                    new XElement(
                        Cac + "StatementLine",
                        Basic("ID", $"{i + 2}"),
                        Basic("Note", PrintedStatement.Words(l.Kind)),
                        Basic("BalanceBroughtForwardIndicator", "false"),
                        l.Credit.IsZero ? Amount("DebitLineAmount", l.Debit) : Amount("CreditLineAmount", l.Credit),
                        Amount("BalanceAmount", l.Balance),
                        new XElement(
                            Cac + "InvoicePeriod",
                            Basic("StartDate", Day(l.Date)),
                            Basic("EndDate", Day(l.Date))
                        ),
                        l.Document.Length == 0
                            ? null
                            : new XElement(
                                Cac + "BillingReference",
                                new XElement(Cac + "InvoiceDocumentReference", Basic("ID", l.Document))
                            )
                    )
            )
        );
        return Bytes(document);
    }
}
