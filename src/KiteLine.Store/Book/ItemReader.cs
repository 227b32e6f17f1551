using System.Runtime.InteropServices;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads items with their movements in the compact form. They lie in the order of their keys, in which the accounts are
/// mixed, so they are first read into runs of memory and then dealt out; nothing is made for a single row.
/// </summary>
internal static class ItemReader
{
    /// <summary>What one account holds, in the order of the identifiers.</summary>
    internal readonly record struct Held(BookItem[] Items, long[] Ids, BookMovement[] Movements);

    internal readonly record struct Row(long Id, long Account, BookItem Item, int Place = 0);

    /// <summary>A run of items in the order of their identifiers, with their movements in the same order.</summary>
    internal sealed record Run(List<Row> Rows, List<BookMovement> Movements);

    /// <summary>The items of some accounts.</summary>
    internal static Run Read(SqliteConnection connection, IReadOnlyCollection<long> accounts)
    {
        var of = $"account_id IN ({string.Join(',', accounts)})";
        return Read(connection, of, $"item_id IN (SELECT id FROM item WHERE {of})", Posted(connection, of));
    }

    /// <summary>The items of all accounts.</summary>
    internal static Run ReadAll(SqliteConnection connection) => Read(connection, 0, long.MaxValue, Posted(connection));

    /// <summary>The items with identifiers from one to before another, of all accounts.</summary>
    /// <param name="posted">The posting dates of all entries that have an account.</param>
    internal static Run Read(SqliteConnection connection, long from, long before, Dictionary<long, DateOnly> posted) =>
        Read(connection, $"id >= {from} AND id < {before}", $"item_id >= {from} AND item_id < {before}", posted);

    /// <summary>
    /// When entries were posted: those of all accounts. What was open before the books began belongs to an entry of no
    /// account, and counts by its value date alone.
    /// </summary>
    internal static Dictionary<long, DateOnly> Posted(SqliteConnection connection, string of = "account_id IS NOT NULL")
    {
        var posted = new Dictionary<long, DateOnly>();
        using var query = new Prepared(connection, $"SELECT id, posting_date FROM entry WHERE {of}");
        while (query.Next())
            posted.Add(query.Long(0), query.Date(1));
        return posted;
    }

    /// <summary>Parts runs by account. The runs must follow each other.</summary>
    /// <param name="places">The place of each account among those that are read.</param>
    internal static Held[] Deal(IReadOnlyList<Run> runs, Dictionary<long, int> places)
    {
        // Counted, then put in order, then copied account by account: every array is written from its start to its end.
        var from = new int[places.Count + 1];
        foreach (var run in runs)
        foreach (ref var row in CollectionsMarshal.AsSpan(run.Rows))
        {
            row = row with { Place = places[row.Account] };
            from[row.Place + 1]++;
        }

        for (var i = 0; i < places.Count; i++)
            from[i + 1] += from[i];
        var next = from[..^1];
        var order = new (int Run, int At)[from[^1]];
        for (var r = 0; r < runs.Count; r++)
        {
            var rows = CollectionsMarshal.AsSpan(runs[r].Rows);
            for (var at = 0; at < rows.Length; at++)
                order[next[rows[at].Place]++] = (r, at);
        }

        var held = new Held[places.Count];
        // Each part of the accounts is dealt by itself, so that processors share the work; a few accounts are one part.
        var parts = places.Count < 1000 ? 1 : Environment.ProcessorCount;
        Parallel.For(
            0,
            parts,
            part =>
            {
                for (var i = places.Count * part / parts; i < places.Count * (part + 1) / parts; i++)
                    held[i] = Of(runs, order.AsSpan(from[i]..from[i + 1]));
            }
        );
        return held;
    }

    private static Held Of(IReadOnlyList<Run> runs, ReadOnlySpan<(int Run, int At)> rows)
    {
        if (rows.Length == 0)
            return new([], [], []);
        var items = new BookItem[rows.Length];
        var ids = new long[rows.Length];
        var count = 0;
        for (var i = 0; i < rows.Length; i++)
        {
            ref readonly var row = ref CollectionsMarshal.AsSpan(runs[rows[i].Run].Rows)[rows[i].At];
            ids[i] = row.Id;
            items[i] = row.Item;
            count += row.Item.Movements;
        }

        var movements = new BookMovement[count];
        var place = 0;
        for (var i = 0; i < rows.Length; i++)
        {
            ref var item = ref items[i];
            CollectionsMarshal
                .AsSpan(runs[rows[i].Run].Movements)
                .Slice(item.FirstMovement, item.Movements)
                .CopyTo(movements.AsSpan(place));
            item = item with { FirstMovement = place };
            place += item.Movements;
        }

        return new(items, ids, movements);
    }

    // Both tables lie in the order of the items, so each is gone through once, side by side; a join would look every
    // item's movements up.
    private static Run Read(
        SqliteConnection connection,
        string ofItems,
        string ofMovements,
        Dictionary<long, DateOnly> posted,
        int about = 16
    )
    {
        var run = new Run(new(about), new(about));
        var (rows, movements) = (run.Rows, run.Movements);
        using var items = new Prepared(
            connection,
            $"SELECT id, account_id, kind, date, due, open FROM item WHERE {ofItems} ORDER BY id"
        );
        using var moved = new Prepared(
            connection,
            $"SELECT item_id, value_date, amount, kind, entry_id FROM movement WHERE {ofMovements} ORDER BY item_id, seq"
        );
        var more = moved.Next();
        while (items.Next())
        {
            var id = items.Long(0);
            var first = movements.Count;
            for (; more && moved.Long(0) == id; more = moved.Next())
                movements.Add(
                    new(
                        moved.Date(1),
                        moved.Long(2),
                        posted.GetValueOrDefault(moved.Long(4)),
                        (MovementKind)moved.Long(3)
                    )
                );
            rows.Add(
                new(
                    id,
                    items.Long(1),
                    new(
                        (ItemKind)items.Long(2),
                        items.Date(3),
                        items.Date(4),
                        items.Long(5),
                        first,
                        movements.Count - first
                    )
                )
            );
        }

        return run;
    }
}
