using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps the bank accounts of the company.</summary>
public static class OwnAccountStore
{
    // More than any company of this size has; a list that is longer is a mistake.
    private const int Most = 500;

    /// <summary>All of them, in the order in which they were added.</summary>
    public static IReadOnlyList<OwnAccount> All(SqliteConnection connection) =>
        connection.Query<OwnAccount>("SELECT id, account, currency, method FROM own_account ORDER BY id").AsList();

    /// <summary>The one with this number, or null.</summary>
    public static OwnAccount? Find(SqliteConnection connection, string account) =>
        connection.QuerySingleOrDefault<OwnAccount>(
            "SELECT id, account, currency, method FROM own_account WHERE account = @plain",
            new { plain = Iban.Plain(account) }
        );

    /// <summary>Adds one.</summary>
    /// <param name="method">Empty for the first payment method.</param>
    /// <exception cref="RefusedException">A field is wrong, or it is there already.</exception>
    public static OwnAccount Add(Tx tx, string account, string currency, string method)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var settings = CompanyStore.Settings(tx.Connection);
        var plain = BankAccountNumber.Read(account ?? "", "account");
        var code = string.IsNullOrWhiteSpace(currency) ? settings.BaseCurrency : currency.Trim().ToUpperInvariant();
        if (!Currency.TryOf(code, out var known))
            throw new RefusedException("currency", $"‘{code}’ is no ISO 4217 currency code.");
        var by = string.IsNullOrWhiteSpace(method)
            ? settings.PaymentMethods.Select(m => m.Code).FirstOrDefault("")
            : settings
                .PaymentMethods.FirstOrDefault(m => m.Code.Equals(method.Trim(), StringComparison.OrdinalIgnoreCase))
                ?.Code
                ?? throw new RefusedException("method", $"There is no payment method ‘{method.Trim()}’.");
        if (Find(tx.Connection, plain) is not null)
            throw new RefusedException("account", $"The bank account {plain} is there already.");
        if (All(tx.Connection).Count >= Most)
            throw new RefusedException("account", $"A company has at most {Most} bank accounts here.");
        var added = tx.Connection.QuerySingle<OwnAccount>(
            """
            INSERT INTO own_account (account, currency, method, made_by, made_at)
            VALUES (@plain, @Code, @by, @Who, @Now) RETURNING id, account, currency, method
            """,
            new
            {
                plain,
                known.Code,
                by,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            "company",
            "Bank account",
            new
            {
                added.Account,
                currency = known.Code,
                method = by,
            },
            ""
        );
        return added;
    }
}
