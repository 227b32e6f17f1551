using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Works out effects, for callers that show them.</summary>
public static class Effects
{
    /// <summary>
    /// What a decision would do. Nothing is written and no lock is held: the account is taken from the books and the
    /// decision put on top of it.
    /// </summary>
    /// <param name="decided">The account with the decision carried out.</param>
    public static Effect<T> Shown<T>(
        SqliteConnection connection,
        Account account,
        DateOnly day,
        IReadOnlyList<JournalLine> journal,
        T detail,
        Func<BookAccount, BookAccount> decided
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(decided);
        var book = BookLoader.Load(connection, [account.Id])[0];
        var rules = Rules.Positions(connection, day);
        return new(
            0,
            null,
            journal,
            AccountPosition.On(book, day, rules),
            AccountPosition.On(decided(book), day, rules),
            detail
        );
    }

    /// <summary>Does something in a transaction and looks at the account before and after it.</summary>
    public static Effect<T> Around<T>(
        Tx tx,
        Account account,
        Func<(Posted? Posted, IReadOnlyList<JournalLine> Journal, T Detail)> act
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(act);
        var day = tx.BusinessDate();
        var rules = Rules.Positions(tx.Connection, day);
        var before = AccountPosition.On(tx.Book(account), day, rules);
        var (posted, journal, detail) = act();
        return new(
            posted?.EntryId ?? 0,
            posted?.Number,
            journal,
            before,
            AccountPosition.On(tx.Book(account), day, rules),
            detail
        );
    }
}
