using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps the bank accounts that customers pay from.</summary>
public static class PayerAccountStore
{
    /// <summary>All that pay for accounts in a currency.</summary>
    internal static IEnumerable<(string BankAccount, string Account)> In(
        SqliteConnection connection,
        Currency currency
    ) =>
        connection.Query<(string, string)>(
            "SELECT p.bank_account, a.code FROM payer_account p JOIN account a ON a.id = p.account_id "
                + "WHERE a.currency = @Code",
            new { currency.Code }
        );

    /// <summary>Notes that an account is paid from a bank account; nothing happens where that is known.</summary>
    /// <param name="learned">From what was assigned by hand, and not typed in.</param>
    public static void Note(Tx tx, Account account, string bankAccount, bool learned)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        tx.Connection.Execute(
            """
            INSERT OR IGNORE INTO payer_account (account_id, bank_account, learned, made_by, made_at)
            VALUES (@Id, @plain, @learned, @Who, @Now)
            """,
            new
            {
                account.Id,
                plain = Iban.Plain(bankAccount),
                learned,
                tx.Who,
                tx.Now,
            }
        );
    }
}
