using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A bank account that a customer pays from.</summary>
/// <param name="BankAccount">IBAN or another number, without spaces.</param>
/// <param name="Learned">From a payment that was assigned by hand, and not typed in.</param>
internal sealed record BankAccountView(long Id, string BankAccount, bool Learned, string MadeBy, string MadeAt)
{
    internal static BankAccountView Of(PayerAccount a) => new(a.Id, a.BankAccount, a.Learned, a.MadeBy, a.MadeAt);
}
