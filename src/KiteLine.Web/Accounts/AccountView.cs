using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The record of an account, in short.</summary>
/// <param name="InvoiceTaxCode">The tax code of an invoice written today; empty where it bears no tax, as under an
/// exemption.</param>
internal sealed record AccountView(
    string Code,
    string Name,
    string Currency,
    string Terms,
    string? LateChargePolicy,
    string? ReminderPlan,
    string? TaxCode,
    string Group,
    string Owner,
    string Email,
    string Address,
    string PaymentMethod,
    DateOnly? TermsAgreedOn,
    long Version,
    string InvoiceTaxCode
)
{
    internal static AccountView Of(Account a, DateOnly today) =>
        new(
            a.Code,
            a.Name,
            a.Currency.Code,
            a.Terms,
            a.LateChargePolicy,
            a.ReminderPlan,
            a.TaxCode,
            a.GroupName,
            a.Owner,
            a.Email,
            a.Address,
            a.Profile.PaymentMethod,
            a.Profile.TermsAgreedOn,
            a.Version,
            a.TaxCodeOn(today)
        );
}
