using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money that is in the books and whose payer is not known.</summary>
/// <param name="MovedFrom">Code and name of the account that it was taken off; empty where it came from the bank.</param>
/// <param name="MovedReceipt">Number of the receipt that it was a part of; empty where it came from the bank.</param>
internal sealed record UnassignedReceiptView(
    long Id,
    long Posting,
    string Currency,
    Money Amount,
    Money Charges,
    DateOnly ValueDate,
    string Payer,
    string PayerAccount,
    string Text,
    string PostedBy,
    DateOnly PostedOn,
    string MovedFrom,
    string MovedReceipt
)
{
    internal static UnassignedReceiptView Of(UnassignedReceipt r) =>
        new(
            r.Id,
            r.Posting,
            r.Money.Amount.Currency.Code,
            r.Money.Amount,
            r.Money.Charges,
            r.Money.ValueDate,
            r.Payer,
            r.PayerAccount,
            r.Money.Remittance,
            r.PostedBy,
            r.PostedOn,
            r.MovedFrom is { } from ? $"{from.Account} {from.AccountName}" : "",
            r.MovedFrom?.Number ?? ""
        );
}
