using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// The accounts of payers that are recognised for certain, with what is open on them: they are read some together, in the
/// order of their entries, and one that was asked for before is read again.
/// </summary>
internal sealed class CertainPayers
{
    // Many enough that each costs little, few enough that they take no room.
    private const int Together = 100;

    private readonly SqliteConnection _connection;
    private readonly Currency _currency;
    private readonly ItemStore _items;
    private readonly Dictionary<long, Account> _accounts = [];
    private readonly Queue<long> _toRead = [];
    private Dictionary<long, IReadOnlyList<ItemDetail>> _open = [];

    internal CertainPayers(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyList<StoredEntry> entries,
        KnownPayers known,
        ItemStore items
    )
    {
        (_connection, _currency, _items) = (connection, currency, items);
        var codes = new Dictionary<long, string>();
        foreach (var entry in entries)
            if (known.Of(entry.Entry) is { MostConfidence: 1 } payer)
                codes[entry.Id] = payer.Account;
        var accounts = AccountStore.Get(connection, codes.Values.ToHashSet(StringComparer.OrdinalIgnoreCase));
        foreach (var (entry, code) in codes)
            _accounts[entry] = accounts[code];
        foreach (var id in _accounts.Values.Select(a => a.Id).Distinct())
            _toRead.Enqueue(id);
    }

    /// <summary>The account of an entry's payer; null where none is certain.</summary>
    internal Account? Of(StoredEntry entry) => _accounts.GetValueOrDefault(entry.Id);

    /// <summary>What is open on it now.</summary>
    internal IReadOnlyList<ItemDetail> Open(Account account)
    {
        if (_open.Count == 0 && _toRead.Count > 0)
            _open = _items.Details(_connection, _currency, Next());
        return _open.Remove(account.Id, out var read) ? read : _items.Details(_connection, account);
    }

    private List<long> Next()
    {
        var next = new List<long>(Together);
        while (next.Count < Together && _toRead.TryDequeue(out var id))
            next.Add(id);
        return next;
    }
}
