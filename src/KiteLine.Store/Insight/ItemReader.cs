using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads items with their movements in the compact form: of some accounts, or of the whole book in one pass. They lie in
/// the order of their keys, in which the accounts are mixed, so they are first read into one run of memory each and then
/// dealt out; nothing is made for a single row.
/// </summary>
internal static class ItemReader
{
    /// <summary>What one account holds, in the order of the identifiers.</summary>
    internal readonly record struct Held(BookItem[] Items, long[] Ids, BookMovement[] Movements);

    /// <summary>What an account without items holds.</summary>
    internal static readonly Held None = new([], [], []);

    private readonly record struct Row(long Id, long Account, BookItem Item);

    /// <param name="ids">The accounts, or null for all.</param>
    internal static Dictionary<long, Held> Read(SqliteConnection connection, IReadOnlyCollection<long>? ids)
    {
        var of = ids is null ? "" : $"account_id IN ({string.Join(',', ids)})";
        var posted = Posted(connection, of);
        var rows = new List<Row>(ids is null ? Count(connection, "item") : 16);
        var movements = new List<BookMovement>(ids is null ? Count(connection, "movement") : 32);
        using (
            var query = new Prepared(
                connection,
                "SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open, m.value_date, m.amount, m.kind, m.entry_id "
                    + "FROM item i JOIN movement m ON m.item_id = i.id"
                    + (of.Length == 0 ? "" : $" WHERE i.{of}")
                    + " ORDER BY i.id, m.seq"
            )
        )
        {
            long current = -1;
            var first = 0;
            Row row = default;
            while (query.Next())
            {
                if (query.Long(0) is var id && id != current)
                {
                    Close();
                    current = id;
                    first = movements.Count;
                    var kind = (ItemKind)query.Long(2);
                    row = new(id, query.Long(1), new(kind, query.Date(3), query.Date(4), query.Long(5), 0, 0));
                }

                movements.Add(
                    new(
                        query.Date(6),
                        query.Long(7),
                        posted.GetValueOrDefault(query.Long(9)),
                        (MovementKind)query.Long(8)
                    )
                );
            }

            Close();

            // An item is complete when the first row of the next one is met.
            void Close()
            {
                if (current >= 0)
                    rows.Add(row with { Item = row.Item with { Movements = movements.Count - first } });
            }
        }

        return Deal(rows, movements);
    }

    private static Dictionary<long, Held> Deal(List<Row> rows, List<BookMovement> movements)
    {
        var sizes = new Dictionary<long, (int Items, int Movements)>();
        foreach (var row in rows)
        {
            ref var size = ref System.Runtime.InteropServices.CollectionsMarshal.GetValueRefOrAddDefault(
                sizes,
                row.Account,
                out _
            );
            size = (size.Items + 1, size.Movements + row.Item.Movements);
        }

        var held = new Dictionary<long, Held>(sizes.Count);
        foreach (var (account, size) in sizes)
            held.Add(
                account,
                new(new BookItem[size.Items], new long[size.Items], new BookMovement[size.Movements])
            );
        // The same places are now counted up from zero.
        foreach (var account in held.Keys)
            sizes[account] = default;
        var from = 0;
        foreach (var row in rows)
        {
            ref var filled = ref System.Runtime.InteropServices.CollectionsMarshal.GetValueRefOrNullRef(
                sizes,
                row.Account
            );
            var (items, itemIds, moved) = held[row.Account];
            items[filled.Items] = row.Item with { FirstMovement = filled.Movements };
            itemIds[filled.Items] = row.Id;
            movements.CopyTo(from, moved, filled.Movements, row.Item.Movements);
            from += row.Item.Movements;
            filled = (filled.Items + 1, filled.Movements + row.Item.Movements);
        }

        return held;
    }

    // What was open before the books began belongs to an entry of no account, and counts by its value date alone.
    private static Dictionary<long, DateOnly> Posted(SqliteConnection connection, string of)
    {
        var posted = new Dictionary<long, DateOnly>();
        using var query = new Prepared(
            connection,
            $"SELECT id, posting_date FROM entry WHERE {(of.Length == 0 ? "account_id IS NOT NULL" : of)}"
        );
        while (query.Next())
            posted.Add(query.Long(0), query.Date(1));
        return posted;
    }

    private static int Count(SqliteConnection connection, string table)
    {
        using var query = new Prepared(connection, $"SELECT count(*) FROM {table}");
        query.Next();
        return (int)query.Long(0);
    }
}
