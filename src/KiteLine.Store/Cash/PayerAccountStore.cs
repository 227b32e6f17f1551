using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps the bank accounts that customers pay from.</summary>
public static class PayerAccountStore
{
    // More than any customer pays from; a list that is longer is a mistake.
    private const int Most = 50;

    /// <summary>Those of some that pay for accounts in a currency.</summary>
    /// <param name="bankAccounts">Without spaces and in capitals, as they are kept.</param>
    internal static IEnumerable<(string BankAccount, string Account)> In(
        SqliteConnection connection,
        Currency currency,
        IEnumerable<string> bankAccounts
    ) =>
        connection.Query<(string, string)>(
            """
            SELECT p.bank_account, a.code FROM json_each(@known) k CROSS JOIN payer_account p ON p.bank_account = k.value
                JOIN account a ON a.id = p.account_id
            WHERE a.currency = @Code
            """,
            new { currency.Code, known = Json.Write(bankAccounts) }
        );

    /// <summary>The bank accounts of a customer, in the order in which they came to be known.</summary>
    public static IReadOnlyList<PayerAccount> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<PayerAccount>(
                "SELECT id, bank_account, learned, made_by, made_at FROM payer_account WHERE account_id = @Id ORDER BY id",
                new { account.Id }
            )
            .AsList();
    }

    /// <summary>Adds a bank account that was typed in.</summary>
    /// <exception cref="RefusedException">It is none, is known already, or the customer has too many.</exception>
    public static PayerAccount Add(Tx tx, Account account, string bankAccount)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var plain = BankAccountNumber.Read(bankAccount, "bankAccount");
        var known = Of(tx.Connection, account);
        if (known.Any(k => k.BankAccount == plain))
            throw new RefusedException("bankAccount", $"{plain} is known as this customer's already.");
        if (known.Count >= Most)
            throw new RefusedException("bankAccount", $"A customer has at most {Most} bank accounts here.");
        Note(tx, account, plain, learned: false);
        return Of(tx.Connection, account).Single(k => k.BankAccount == plain);
    }

    /// <summary>Takes a bank account off a customer: payments from it are recognised by it no more.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static void Remove(Tx tx, Account account, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var removed =
            Of(tx.Connection, account).FirstOrDefault(k => k.Id == id)
            ?? throw new NotThereException("bank account", $"{id}");
        tx.Connection.Execute("DELETE FROM payer_account WHERE id = @id", new { id });
        Audit.Record(tx, $"account:{account.Code}", "Bank account removed", new { removed.BankAccount }, "");
    }

    /// <summary>
    /// Learns from what was assigned by hand that an account is paid from a bank account. Nothing happens where that is
    /// known, where it is no number of an account, or where the customer has as many as can be kept.
    /// </summary>
    public static void Learn(Tx tx, Account account, string bankAccount)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        if (BankAccountNumber.TryRead(bankAccount, out var plain) is not null)
            return;
        var known = Of(tx.Connection, account);
        if (known.Count < Most && known.All(k => k.BankAccount != plain))
            Note(tx, account, plain, learned: true);
    }

    private static void Note(Tx tx, Account account, string plain, bool learned)
    {
        tx.Connection.Execute(
            """
            INSERT INTO payer_account (account_id, bank_account, learned, made_by, made_at)
            VALUES (@Id, @plain, @learned, @Who, @Now)
            """,
            new
            {
                account.Id,
                plain,
                learned,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, $"account:{account.Code}", "Bank account", new { bankAccount = plain, learned }, "");
    }
}
