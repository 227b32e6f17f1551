using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// What of documents was settled before the books began: their gross amounts less what was brought in as open. It is read
/// once, and anew of the accounts that changed since.
/// </summary>
public sealed class PaidBeforeStore
{
    // More changed accounts than these are read with the whole book.
    private const int Few = 1000;

    private readonly PerAccount<PaidBefore[]> _kept = new();

    /// <summary>Of some accounts, by account; most have none.</summary>
    public ILookup<long, PaidBefore> Of(SqliteConnection connection, IReadOnlyList<BookAccount> accounts) =>
        _kept
            .Of(
                accounts,
                [],
                missing =>
                    Read(connection, missing.Count > Few ? null : [.. missing.Select(a => a.Id)])
                        .GroupBy(p => p.Account, p => p.Before)
                        .Select(p => (p.Key, p.ToArray()))
            )
            .SelectMany(of => of.Value.Select(before => (of.Key, Before: before)))
            .ToLookup(of => of.Key, of => of.Before);

    private static List<(long Account, PaidBefore Before)> Read(SqliteConnection connection, List<long>? accounts)
    {
        var before = new List<(long, PaidBefore)>();
        using var query = new Prepared(
            connection,
            $"""
            SELECT d.id, d.account_id, d.date, d.kind, d.net + d.tax, m.amount
            FROM {(
                accounts is null
                    ? "item i /* the whole book */"
                    : "json_each(?1) x CROSS JOIN item i ON i.account_id = x.value"
            )}
                CROSS JOIN document d ON d.id = i.document_id CROSS JOIN entry e ON e.id = d.entry_id
                CROSS JOIN movement m ON m.item_id = i.id
            WHERE e.kind = {(int)PostingKind.Opening} AND m.kind = {(int)MovementKind.Opened}
                AND i.kind IN ({(int)ItemKind.Invoice}, {(int)ItemKind.CreditNote})
            ORDER BY i.id
            """
        );
        if (accounts is not null)
            query.Bind(1, Json.Write(accounts));
        // The items of a document stand one after the other.
        var (document, account, date, left, opened) = (0L, 0L, default(DateOnly), 0L, 0L);
        while (query.Next())
        {
            if (query.Long(0) != document)
            {
                End();
                (document, account, date, opened) = (query.Long(0), query.Long(1), query.Date(2), 0);
                left = query.Long(3) == (long)ItemKind.CreditNote ? -query.Long(4) : query.Long(4);
            }

            left -= query.Long(5);
            opened += query.Long(5);
        }

        End();
        return before;

        // What was taken back whole was never sold.
        void End()
        {
            if (left != 0 && opened != 0)
                before.Add((account, new(date, left)));
        }
    }
}
