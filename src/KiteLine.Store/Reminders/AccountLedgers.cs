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

    /// <summary>
    /// The ledgers of some accounts, by identifier: what they are made of is read together, and each policy once.
    /// </summary>
    /// <param name="found">The accounts in compact form where they are at hand as the books stand; null for one that is
    /// not.</param>
    /// <param name="chargesOnly">Whether only what late charges need is asked for.</param>
    internal IReadOnlyDictionary<long, AccountLedger> Of(
        SqliteConnection connection,
        IReadOnlyCollection<Account> accounts,
        Func<Account, BookAccount?> found,
        bool chargesOnly
    )
    {
        var policies = new RunPolicies(connection);
        var books = accounts.Select(a => (a.Id, Book: found(a))).ToDictionary(a => a.Id, a => a.Book);
        var unread = accounts.Where(a => books[a.Id] is null).Select(a => a.Id).ToArray();
        if (unread.Length > 0)
            foreach (var book in BookLoader.Load(connection, unread))
                books[book.Id] = book;
        var read = chargesOnly ? items.OfBook(connection, [.. books.Values.OfType<BookAccount>()]) : [];
        foreach (var some in accounts.Where(a => !read.ContainsKey(a.Id)).ToArray().GroupBy(a => a.Currency, a => a.Id))
        foreach (var (id, held) in items.Details(connection, some.Key, [.. some], alsoClosed: true))
            read.Add(id, [.. held.Select(d => d.Item)]);

        return accounts.ToDictionary(
            a => a.Id,
            a =>
                policies.With(
                    new()
                    {
                        Book = books[a.Id]!,
                        Items = read[a.Id],
                        Letters = chargesOnly ? [] : ReminderStore.Standing(connection, a),
                    },
                    a.LateChargePolicy,
                    a.ReminderPlan
                )
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
