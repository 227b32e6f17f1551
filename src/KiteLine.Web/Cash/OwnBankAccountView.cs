using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A bank account of the company.</summary>
/// <param name="Account">IBAN or another number, without spaces.</param>
/// <param name="Method">Code of the payment method by which money comes in on it.</param>
internal sealed record OwnBankAccountView(long Id, string Account, string Currency, string Method)
{
    internal static OwnBankAccountView Of(OwnAccount a) => new(a.Id, a.Account, a.Currency.Code, a.Method);
}
