using System.Runtime.InteropServices;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Brings what accounts hold in memory up to what a transaction did to it: only the items that it added or moved are read,
/// as an account may have ten thousand others.
/// </summary>
internal static class MovedItems
{
    /// <summary>What the accounts hold now.</summary>
    /// <param name="before">The accounts as they were before anything was moved, by place.</param>
    /// <param name="items">The items that were added or moved since, of these accounts.</param>
    internal static ItemReader.Held[] After(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> before,
        IEnumerable<long> items
    )
    {
        var (rows, movements) = Read(connection, items);
        var moved = rows.ToLookup(r => r.Account);
        return
        [
            .. before.Select(a =>
                moved.Contains(a.Id)
                    ? Merged(a, [.. moved[a.Id]], movements)
                    : new ItemReader.Held(a.Items, a.ItemIds, a.Movements)
            ),
        ];
    }

    // Both are in the order of the identifiers, in which new ones are last.
    private static ItemReader.Held Merged(BookAccount before, List<ItemReader.Row> moved, List<BookMovement> movedBy)
    {
        var items = new List<BookItem>(before.Items.Length + moved.Count);
        var ids = new List<long>(before.Items.Length + moved.Count);
        var movements = new List<BookMovement>(before.Movements.Length + movedBy.Count);
        var next = 0;
        for (var at = 0; at < before.Items.Length; at++)
            if (next < moved.Count && moved[next].Id == before.ItemIds[at])
                Add(moved[next].Id, moved[next++].Item, CollectionsMarshal.AsSpan(movedBy));
            else
                Add(before.ItemIds[at], before.Items[at], before.Movements);
        for (; next < moved.Count; next++)
            Add(moved[next].Id, moved[next].Item, CollectionsMarshal.AsSpan(movedBy));
        return new([.. items], [.. ids], [.. movements]);

        void Add(long id, BookItem item, ReadOnlySpan<BookMovement> of)
        {
            ids.Add(id);
            items.Add(item with { FirstMovement = movements.Count });
            movements.AddRange(of.Slice(item.FirstMovement, item.Movements));
        }
    }

    private static (List<ItemReader.Row> Rows, List<BookMovement> Movements) Read(
        SqliteConnection connection,
        IEnumerable<long> items
    )
    {
        var ids = Json.Write(items);
        var (rows, movements) = (new List<ItemReader.Row>(), new List<BookMovement>());
        using var moved = Prepared.Kept(
            connection,
            """
            SELECT m.item_id, m.value_date, m.amount, m.kind, e.posting_date
            FROM json_each(?1) x CROSS JOIN movement m ON m.item_id = x.value
                LEFT JOIN entry e ON e.id = m.entry_id AND e.account_id IS NOT NULL
            ORDER BY m.item_id, m.seq
            """
        );
        moved.Bind(1, ids);
        using var held = Prepared.Kept(
            connection,
            """
            SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open FROM json_each(?1) x CROSS JOIN item i ON i.id = x.value
            ORDER BY i.id
            """
        );
        held.Bind(1, ids);
        var more = moved.Next();
        while (held.Next())
        {
            var (id, first) = (held.Long(0), movements.Count);
            for (; more && moved.Long(0) == id; more = moved.Next())
                movements.Add(
                    new(moved.Date(1), moved.Long(2), moved.OptionalDate(4) ?? default, (MovementKind)moved.Long(3))
                );
            rows.Add(
                new(
                    id,
                    held.Long(1),
                    new(
                        (ItemKind)held.Long(2),
                        held.Date(3),
                        held.Date(4),
                        held.Long(5),
                        first,
                        movements.Count - first
                    )
                )
            );
        }

        return (rows, movements);
    }
}
