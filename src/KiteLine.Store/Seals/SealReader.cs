using System.Globalization;
using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace KiteLine.Store;

/// <summary>Reads rows into digests, as they lie in the books.</summary>
internal sealed class SealReader : IDisposable
{
    private readonly Dictionary<SealedTable, Prepared> _queries = [];
    private readonly Dictionary<SealedTable, Prepared> _keyed = [];
    private readonly ContentDigest _digest = new();
    private readonly SqliteConnection _connection;

    internal SealReader(SqliteConnection connection) => _connection = connection;

    /// <summary>The digest of the rows with keys from one to another, and their marks.</summary>
    internal (byte[] Digest, byte[] Marks) Of(SealedTable table, long first, long last)
    {
        if (!_keyed.TryGetValue(table, out var query))
            _keyed.Add(table, query = new(_connection, table.KeyedRows(_connection)));
        query.Bind(1, first);
        query.Bind(2, last);
        var marks = new RowMarks(first);
        long? key = null;
        while (query.Next())
        {
            if (key is { } before && before != query.Long(0))
                _digest.EndRow(marks, before);
            key = query.Long(0);
            Row(query, from: 1);
        }

        query.Reset();
        if (key is { } ended)
            _digest.EndRow(marks, ended);
        return (_digest.Finish(), marks.Through(last));
    }

    /// <summary>The digest of the rows with one key.</summary>
    internal byte[] Of(SealedTable table, string key)
    {
        // The database compares it as a number with keys that are numbers.
        var query = Query(table);
        query.Bind(1, key);
        query.Bind(2, key);
        return Digest(query);
    }

    /// <summary>The digests of the rows of many keys, which must be numbers: all rows between are gone through once.</summary>
    internal IReadOnlyDictionary<string, byte[]> OfMany(SealedTable table, IReadOnlyCollection<string> keys)
    {
        var numbers = keys.Select(k => long.Parse(k, CultureInfo.InvariantCulture)).ToArray();
        using var query = new Prepared(_connection, table.KeyedRows(_connection));
        query.Bind(1, numbers.Min());
        query.Bind(2, numbers.Max());
        var wanted = numbers.ToHashSet();
        var digests = new Dictionary<string, byte[]>(keys.Count, StringComparer.Ordinal);
        var (key, open) = (0L, false);
        while (query.Next())
        {
            var next = query.Long(0);
            if (open && next != key)
                Close();
            (key, open) = (next, wanted.Contains(next));
            if (open)
                Row(query, from: 1);
        }

        if (open)
            Close();
        foreach (var gone in keys.Where(k => !digests.ContainsKey(k)))
            digests.Add(gone, _digest.Finish());
        return digests;

        void Close() => digests.Add(key.ToString(CultureInfo.InvariantCulture), _digest.Finish());
    }

    public void Dispose()
    {
        foreach (var query in _queries.Values.Concat(_keyed.Values))
            query.Dispose();
        _digest.Dispose();
    }

    private Prepared Query(SealedTable table)
    {
        if (!_queries.TryGetValue(table, out var query))
            _queries.Add(table, query = new(_connection, table.Rows(_connection)));
        return query;
    }

    private byte[] Digest(Prepared query)
    {
        while (query.Next())
            Row(query, from: 0);
        query.Reset();
        return _digest.Finish();
    }

    private void Row(Prepared query, int from)
    {
        for (var column = from; column < query.Width; column++)
            switch (query.Type(column))
            {
                case raw.SQLITE_INTEGER:
                    _digest.Number(query.Long(column));
                    break;
                case raw.SQLITE_TEXT:
                    _digest.Text(query.Utf8(column));
                    break;
                case raw.SQLITE_NULL:
                    _digest.Nothing();
                    break;
                default:
                    _digest.Bytes(query.Bytes(column));
                    break;
            }
    }
}
