using System.Runtime.InteropServices;

namespace KiteLine.Store;

/// <summary>
/// Parts rows that come mixed into one array an account, each of just the size it needs: first it is told how many will
/// come, then it is given them.
/// </summary>
internal sealed class Dealer<T>
{
    private readonly Dictionary<long, int> _counts = [];
    private Dictionary<long, T[]>? _dealt;

    /// <summary>Parts rows whose account is known by each.</summary>
    internal static Dictionary<long, T[]> Deal(List<(long Account, T Row)> rows)
    {
        var dealer = new Dealer<T>();
        foreach (var (account, _) in rows)
            dealer.Expect(account, 1);
        foreach (var (account, row) in rows)
            dealer.Give(account, row);
        return dealer.Dealt;
    }

    /// <summary>What was given, by account; all that was expected must have been.</summary>
    internal Dictionary<long, T[]> Dealt => Start();

    internal void Expect(long account, int more) =>
        CollectionsMarshal.GetValueRefOrAddDefault(_counts, account, out _) += more;

    internal void ExpectAsMany<TOther>(Dealer<TOther> as_)
    {
        foreach (var (account, count) in as_._counts)
            Expect(account, count);
    }

    internal void Give(long account, T row) => Give(account, new ReadOnlySpan<T>(in row));

    /// <summary>Adds rows of an account; gives the place of the first.</summary>
    internal int Give(long account, ReadOnlySpan<T> rows)
    {
        var array = Start()[account];
        ref var free = ref CollectionsMarshal.GetValueRefOrNullRef(_counts, account);
        var place = array.Length - free;
        rows.CopyTo(array.AsSpan(place));
        free -= rows.Length;
        return place;
    }

    private Dictionary<long, T[]> Start() => _dealt ??= _counts.ToDictionary(c => c.Key, c => new T[c.Value]);
}
