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
        return Read(connection, "i." + of, Posted(connection, of));
    }

    /// <summary>The items with identifiers from one to before another, of all accounts.</summary>
    /// <param name="posted">The posting dates of all entries that have an account.</param>
    internal static Run Read(SqliteConnection connection, long from, long before, Dictionary<long, DateOnly> posted) =>
        Read(connection, $"i.id >= {from} AND i.id < {before}", posted);

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

    private static Run Read(SqliteConnection connection, string where, Dictionary<long, DateOnly> posted)
    {
        var run = new Run([], []);
        var (rows, movements) = (run.Rows, run.Movements);
        using var query = new Prepared(
            connection,
            "SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open, m.value_date, m.amount, m.kind, m.entry_id "
                + $"FROM item i JOIN movement m ON m.item_id = i.id WHERE {where} ORDER BY i.id, m.seq"
        );
        var first = 0;
        Row? open = null;
        while (query.Next())
        {
            if (query.Long(0) is var id && id != open?.Id)
            {
                Close();
                first = movements.Count;
                var kind = (ItemKind)query.Long(2);
                open = new(id, query.Long(1), new(kind, query.Date(3), query.Date(4), query.Long(5), 0, 0));
            }

            movements.Add(
                new(query.Date(6), query.Long(7), posted.GetValueOrDefault(query.Long(9)), (MovementKind)query.Long(8))
            );
        }

        Close();
        return run;

        // An item is complete when the first row of the next one is met.
        void Close()
        {
            if (open is { } row)
                rows.Add(row with { Item = row.Item with { Movements = movements.Count - first } });
        }
    }
}
