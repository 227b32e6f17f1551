using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// Keeps what was read of accounts for as long as they stand in memory as they did: a commit replaces the accounts that it
/// touched, and those alone are read anew.
/// </summary>
internal sealed class PerAccount<T>
{
    private readonly Lock _gate = new();
    private readonly Dictionary<long, (BookAccount As, T Value)> _kept = [];
    private object? _basis;

    /// <summary>What is kept of accounts, in their order, after what is missing was read.</summary>
    /// <param name="basis">What all of it rests on; with another one everything is read anew.</param>
    /// <param name="read">Reads it of accounts; those that it leaves out get <paramref name="none"/>.</param>
    internal T[] Of(
        IReadOnlyList<BookAccount> accounts,
        object basis,
        T none,
        Func<IReadOnlyList<BookAccount>, IEnumerable<(long Account, T Value)>> read
    )
    {
        // One reads at a time: two who ask for the whole book at once need it read once.
        lock (_gate)
        {
            if (!basis.Equals(_basis))
                _kept.Clear();
            _basis = basis;
            var missing = accounts
                .Where(a => !_kept.TryGetValue(a.Id, out var kept) || !ReferenceEquals(kept.As, a))
                .ToArray();
            foreach (var account in missing)
                _kept[account.Id] = (account, none);
            if (missing.Length > 0)
                try
                {
                    // More may be read than was asked for.
                    foreach (var (account, value) in read(missing))
                        if (_kept.TryGetValue(account, out var kept))
                            _kept[account] = (kept.As, value);
                }
                catch
                {
                    foreach (var account in missing)
                        _kept.Remove(account.Id);
                    throw;
                }

            var values = new T[accounts.Count];
            for (var i = 0; i < values.Length; i++)
                values[i] = _kept[accounts[i].Id].Value;
            return values;
        }
    }
}
