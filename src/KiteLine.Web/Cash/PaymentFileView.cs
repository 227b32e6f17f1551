using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A file by which the bank is asked to pay refunds.</summary>
internal sealed record PaymentFileView(
    long Id,
    string Account,
    string Currency,
    string MessageId,
    DateOnly ExecuteOn,
    string MadeBy,
    string MadeAt,
    long Refunds,
    Money Amount
)
{
    internal static PaymentFileView Of(PaymentFile f) =>
        new(
            f.Id,
            f.Account,
            f.Currency.Code,
            f.MessageId,
            f.ExecuteOn,
            f.MadeBy,
            f.MadeAt,
            f.Refunds,
            Money.FromMinor(f.Amount, f.Currency)
        );
}
