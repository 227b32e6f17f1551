using System.Xml.Linq;
using KiteLine.Core;
using static KiteLine.Formats.Ubl;
using static KiteLine.Formats.UblParts;

namespace KiteLine.Formats;

/// <summary>
/// Writes a reminder as a UBL 2.1 Reminder (OASIS Standard of 4 November 2013): a line for each item, fees and interest as
/// charges of the document.
/// </summary>
public static class UblReminder
{
    /// <summary>The document as XML in UTF-8.</summary>
    public static byte[] Write(PrintedReminder reminder)
    {
        ArgumentNullException.ThrowIfNull(reminder);
        var zero = Money.Zero(reminder.Total.Currency);
        var charges = new[] { ("Reminder fees", reminder.Fees), ("Late charge", reminder.LateCharge) }
            .Where(c => !c.Item2.IsZero)
            .ToArray();
        var document = Root("Reminder");
        document.Add(
            Basic("UBLVersionID", "2.1"),
            Basic("ID", reminder.Number),
            Basic("IssueDate", Day(reminder.Date)),
            Basic("ReminderSequenceNumeric", $"{reminder.Level}"),
            Basic("DocumentCurrencyCode", reminder.Total.Currency.Code),
            Basic("LineCountNumeric", $"{reminder.Lines.Count}"),
            Supplier(reminder.From),
            Customer(reminder.To),
            Payment(CreditorReference.ForDocument(reminder.Number), reminder.PayBy),
            charges.Select(c => new XElement(
                Cac + "AllowanceCharge",
                Basic("ChargeIndicator", "true"),
                Basic("AllowanceChargeReason", c.Item1),
                Amount("Amount", c.Item2)
            )),
            new XElement(
                Cac + "LegalMonetaryTotal",
                Amount("LineExtensionAmount", reminder.Lines.Aggregate(zero, (sum, l) => sum + l.Open)),
                charges.Length == 0
                    ? null
                    : Amount("ChargeTotalAmount", charges.Aggregate(zero, (sum, c) => sum + c.Item2)),
                Amount("PayableAmount", reminder.Total)
            ),
            reminder.Lines.Select(
                (l, i) =>
                    new XElement(
                        Cac + "ReminderLine",
                        Basic("ID", $"{i + 1}"),
                        Basic("Note", $"Due {Day(l.Due)}"),
                        Amount(
                            l.Open.Minor < 0 ? "CreditLineAmount" : "DebitLineAmount",
                            l.Open.Minor < 0 ? -l.Open : l.Open
                        ),
                        new XElement(
                            Cac + "BillingReference",
                            new XElement(
                                Cac + "InvoiceDocumentReference",
                                Basic("ID", l.Document),
                                Basic("IssueDate", Day(l.Date))
                            )
                        )
                    )
            )
        );
        return Bytes(document);
    }
}
