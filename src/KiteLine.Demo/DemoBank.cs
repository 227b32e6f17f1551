using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>The demo's bank accounts, and what of them is known at the start.</summary>
internal static class DemoBank
{
    /// <summary>An account in each currency, and the bank accounts of every second customer.</summary>
    internal static void Accounts(Tx tx, IEnumerable<DemoCustomer> customers)
    {
        OwnAccountStore.Add(tx, DemoPolicies.Company.PaymentMethods[0].Iban, "GBP", "TRANSFER");
        OwnAccountStore.Add(tx, MadeUpIban.Own(2), "EUR", "TRANSFER");
        OwnAccountStore.Add(tx, MadeUpIban.Own(3), "USD", "TRANSFER");
        foreach (var customer in customers.Where(c => c.Account.Id % 2 == 0))
            PayerAccountStore.Add(tx, customer.Account, MadeUpIban.Of(customer.Account.Id));
    }
}
