using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a posting did, or would do: its number, its journal, and the account before and after.</summary>
public sealed record Effect<T>(
    long EntryId, string? Number, IReadOnlyList<JournalLine> Journal, AccountPosition Before, AccountPosition After, T Detail);

/// <summary>Works out effects.</summary>
public static class Effect
{
    /// <summary>Does something in a transaction and looks at the account before and after it.</summary>
    public static Effect<T> Around<T>(Tx tx, Account account, DateOnly day, Func<(Posted? Posted, IReadOnlyList<JournalLine> Journal, T Detail)> act)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(act);
        var before = Position(tx, account, day);
        var (posted, journal, detail) = act();
        return new(posted?.EntryId ?? 0, posted?.Number, journal, before, Position(tx, account, day), detail);
    }

    private static AccountPosition Position(Tx tx, Account account, DateOnly day)
    {
        var settings = CompanyStore.Settings(tx.Connection);
        var book = tx.Unseen ? new() { Id = account.Id, Code = account.Code, Name = account.Name, Currency = account.Currency } : BookLoader.Load(tx.Connection, [account.Id])[0];
        return AccountPosition.On(book, day, settings.ExposureOn(day), settings.Buckets());
    }
}
