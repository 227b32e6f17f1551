using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A receipt that was taken by hand.</summary>
/// <param name="Method">Code of the method by which it was taken.</param>
internal sealed record HandReceiptView(
    long Posting,
    string Number,
    string AccountCode,
    string AccountName,
    DateOnly Date,
    string Reference,
    string Method,
    string Currency,
    Money Amount,
    bool Reversed
)
{
    internal static HandReceiptView Of(HandReceipt r) =>
        new(
            r.Posting,
            r.Number,
            r.AccountCode,
            r.AccountName,
            r.Date,
            r.Reference,
            r.Method,
            r.Currency.Code,
            Money.FromMinor(r.Amount, r.Currency),
            r.Reversed
        );
}
