using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Undoes postings. The original stays and its reversal stands beside it.</summary>
public static class ReversalDesk
{
    private sealed record EntryRow(long Id, long Kind, long? AccountId, string Text, string Currency, long? ReversedBy);

    /// <summary>Reverses an entry of one account.</summary>
    /// <exception cref="RefusedException">No reason; it was reversed already, is a reversal, or later postings build on it.</exception>
    public static Effect<string> Reverse(Tx tx, long entryId, DateOnly businessDate, string reason, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (string.IsNullOrWhiteSpace(reason)) throw new RefusedException("reason", "Give the reason, in a few words.");
        var entry = tx.Connection.QuerySingleOrDefault<EntryRow>(
            "SELECT e.id, e.kind, e.account_id, e.text, e.currency, (SELECT r.id FROM entry r WHERE r.reverses = e.id) reversed_by FROM entry e WHERE e.id = @entryId",
            new { entryId }) ?? throw new NotThereException("posting", $"{entryId}");
        if (entry.ReversedBy is not null) throw new RefusedException("entry", "This posting was reversed already.");
        if ((PostingKind)entry.Kind == PostingKind.Reversal) throw new RefusedException("entry", "A reversal is not reversed; post the original again instead.");
        if (entry.AccountId is not { } accountId) throw new RefusedException("entry", "Opening items that came in together are corrected one by one.");
        RefuseWhenBuiltOn(tx, entryId);

        var account = tx.Connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @accountId", new { accountId });
        return Effect.Around(tx, account, businessDate, () =>
        {
            Money Amount(long minor) => Money.FromMinor(minor, account.Currency);
            var lines = tx.Connection.Query<(long Purpose, long Amount)>("SELECT purpose, amount FROM journal_line WHERE entry_id = @entryId ORDER BY line", new { entryId })
                .Select(l => new JournalLine((PostingPurpose)l.Purpose, Amount(l.Amount))).ToList();
            var movements = tx.Connection.Query<(long ItemId, long Kind, string ValueDate, long Amount)>(
                """
                SELECT m.item_id, m.kind, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id
                WHERE i.account_id = @accountId AND m.entry_id = @entryId ORDER BY m.item_id, m.seq
                """, new { accountId, entryId })
                .Select(m => new PostedMovement(m.ItemId, new((MovementKind)m.Kind, Columns.Date(m.ValueDate), Amount(m.Amount)))).ToList();
            var posting = ReversalPosting.Of(lines, movements, businessDate, reason.Trim());
            var posted = PostingStore.Post(tx, account, posting, key: key, reverses: entryId);
            // Items of a late charge are charged from their former day again.
            tx.Connection.Execute(
                """
                UPDATE item SET charged_through = (SELECT former_through FROM charge_line c WHERE c.entry_id = @entryId AND c.item_id = item.id)
                WHERE id IN (SELECT item_id FROM charge_line WHERE entry_id = @entryId)
                """, new { entryId });
            return (posted, posting.Lines, entry.Text);
        });
    }

    // What later postings took from this one's own items, and charges raised after a charge, must be undone first.
    private static void RefuseWhenBuiltOn(Tx tx, long entryId)
    {
        var later = tx.Connection.QueryFirstOrDefault<string>(
            """
            SELECT coalesce((SELECT number FROM document WHERE entry_id = later.id), later.text)
            FROM document d JOIN item i ON i.document_id = d.id JOIN movement m ON m.item_id = i.id JOIN entry later ON later.id = m.entry_id
            WHERE d.entry_id = @entryId AND later.id <> @entryId AND later.reverses IS NULL
              AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = later.id)
            UNION ALL
            SELECT d.number FROM charge_line mine JOIN charge_line c ON c.item_id = mine.item_id AND c.entry_id > mine.entry_id
            JOIN document d ON d.entry_id = c.entry_id
            WHERE mine.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
            LIMIT 1
            """, new { entryId });
        if (later is not null) throw new RefusedException("entry", $"‘{later}’ was posted later and builds on this; reverse that first.");
    }
}
