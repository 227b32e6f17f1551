using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads what came of the charge documents of a run, out of the movements.</summary>
public static class RunResults
{
    /// <summary>By currency, by value up to a day; without documents that were reversed.</summary>
    public static IReadOnlyList<ChargeResult> OfCharges(SqliteConnection connection, long run, DateOnly day)
    {
        using var items = new Prepared(
            connection,
            """
            SELECT i.id, a.currency FROM run_posting p JOIN document d ON d.account_id = p.account_id
                AND d.entry_id = p.entry_id
            JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id JOIN account a ON a.id = p.account_id
            WHERE p.run_id = ?1 AND p.entry_id IS NOT NULL
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.entry_id)
            """
        );
        using var moved = new Prepared(
            connection,
            "SELECT kind, amount FROM movement WHERE item_id = ?1 AND value_date <= ?2 ORDER BY seq"
        );
        items.Bind(1, run);
        moved.Bind(2, day);
        return ChargeResult.Of(Read());

        IEnumerable<(Currency, IReadOnlyList<(MovementKind, long)>)> Read()
        {
            while (items.Next())
            {
                Wanted.ThrowIfNot();
                moved.Bind(1, items.Long(0));
                var movements = new List<(MovementKind, long)>();
                while (moved.Next())
                    movements.Add(((MovementKind)moved.Long(0), moved.Long(1)));
                moved.Reset();
                yield return (Currency.Of(items.Text(1)), movements);
            }
        }
    }
}
