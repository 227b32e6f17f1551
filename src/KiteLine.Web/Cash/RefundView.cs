using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money paid back to a customer, and how far it is.</summary>
/// <param name="File">The payment file it stands in.</param>
internal sealed record RefundView(
    long Id,
    long EntryId,
    string Number,
    string AccountCode,
    string AccountName,
    DateOnly PostingDate,
    string Currency,
    Money Amount,
    string BankAccount,
    string Holder,
    string Reference,
    string Text,
    string PostedBy,
    RefundState State,
    long? File
)
{
    internal static RefundView Of(Refund r) =>
        new(
            r.Id,
            r.EntryId,
            r.Number,
            r.AccountCode,
            r.AccountName,
            r.PostingDate,
            r.Currency.Code,
            r.Money,
            r.BankAccount,
            r.Holder,
            r.Reference,
            r.Text,
            r.PostedBy,
            r.State,
            r.File
        );
}
