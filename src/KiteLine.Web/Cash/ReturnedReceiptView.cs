using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A receipt that an entry may take back.</summary>
/// <param name="Why">By what it was found.</param>
internal sealed record ReturnedReceiptView(
    long Posting,
    string Account,
    string AccountName,
    string Document,
    DateOnly ValueDate,
    Money Amount,
    string Why
)
{
    internal static ReturnedReceiptView Of(ReturnedReceipt r) =>
        new(
            r.Receipt.Posting,
            r.Receipt.Account,
            r.Receipt.AccountName,
            r.Receipt.Document,
            r.Receipt.ValueDate,
            r.Receipt.Amount,
            r.Why
        );
}
