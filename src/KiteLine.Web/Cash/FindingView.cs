using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record FindingView(string Code, string Text)
{
    internal static FindingView Of(ReceiptFinding finding) => new(finding.Code, Words(finding));

    internal static string Words(ReceiptFinding finding) =>
        finding switch
        {
            ReceiptFinding.DiscountUnearned(var days, var amount, _) =>
                $"The shortfall is the discount of {amount}, taken {days} {(days == 1 ? "day" : "days")} late; "
                    + $"it stays open unless you allow it",
            ReceiptFinding.Short(var amount) => $"Short by {amount}; it stays open",
            ReceiptFinding.Over(var amount) => $"{amount} more than is needed",
            ReceiptFinding.DiscountPartlyTaken(var rest) =>
                $"Only what was deducted is taken; {rest} more was open, which the customer may still ask for",
            ReceiptFinding.DiscountNotTaken(var amount) =>
                $"A discount of {amount} was open and not taken; you may grant it",
            ReceiptFinding.LetterPaidInFull(var letter, var fee, var interest) =>
                $"Reminder {letter} is paid in full: its fee, {fee}, and interest, {interest}, are posted as income",
            ReceiptFinding.BeforeInvoice => "The value date lies before the document’s date; it earns no discount",
            ReceiptFinding.SearchBounded =>
                "There are too many open items to try every set of them; look for a set that matches yourself",
            _ => finding.Code,
        };
}
