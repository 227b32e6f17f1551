using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads in one go everything that what an account owes is worked out from.</summary>
public sealed class AccountLedgers(ItemStore items)
{
    /// <summary>The account's ledger with the policies that hold for it now.</summary>
    public AccountLedger Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return Of(
            connection,
            account,
            items.Items(connection, account, alsoClosed: true),
            BookLoader.Load(connection, [account.Id])[0]
        );
    }

    /// <summary>The same for a caller that has read the items and the book already.</summary>
    public static AccountLedger Of(
        SqliteConnection connection,
        Account account,
        IReadOnlyList<Item> read,
        BookAccount book
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        var policy = PolicyStore.LateCharge(connection, account.LateChargePolicy);
        return new()
        {
            Book = book,
            Items = read,
            Letters = ReminderStore.Standing(connection, account),
            Policy = policy,
            ChargeTax = policy is { TaxCode.Length: > 0 }
                ? PolicyStore.Find<TaxCode>(connection, PolicyKind.TaxCode, policy.TaxCode)?.Definition
                : null,
            Plan = PolicyStore
                .Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)
                ?.Definition,
        };
    }
}
