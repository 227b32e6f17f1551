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
        var items = new Dealer<BookItem>(places.Count);
        var ids = new Dealer<long>(places.Count);
        var movements = new Dealer<BookMovement>(places.Count);
        foreach (var run in runs)
        foreach (ref var row in CollectionsMarshal.AsSpan(run.Rows))
        {
            row = row with { Place = places[row.Account] };
            items.Expect(row.Place, 1);
            ids.Expect(row.Place, 1);
            movements.Expect(row.Place, row.Item.Movements);
        }

        var held = new Held[places.Count];
        // Each part of the accounts is dealt by itself, so that processors share the work; a few accounts are one part.
        var parts = places.Count < 1000 ? 1 : Environment.ProcessorCount;
        Parallel.For(
            0,
            parts,
            part =>
            {
                var (first, end) = (places.Count * part / parts, places.Count * (part + 1) / parts);
                foreach (var run in runs)
                {
                    var from = 0;
                    foreach (ref readonly var row in CollectionsMarshal.AsSpan(run.Rows))
                    {
                        var count = row.Item.Movements;
                        if (row.Place >= first && row.Place < end)
                        {
                            var moved = CollectionsMarshal.AsSpan(run.Movements).Slice(from, count);
                            items.Give(row.Place, row.Item with { FirstMovement = movements.Give(row.Place, moved) });
                            ids.Give(row.Place, row.Id);
                        }

                        from += count;
                    }
                }

                for (var i = first; i < end; i++)
                    held[i] = new(items.Of(i), ids.Of(i), movements.Of(i));
            }
        );
        return held;
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
                        0,
                        movements.Count - first
                    )
                )
            );
        }

        return run;
    }
}
