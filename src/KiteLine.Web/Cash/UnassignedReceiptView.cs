using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Money that is in the books and whose payer is not known.</summary>
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
    DateOnly PostedOn
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
            r.PostedOn
        );
}
