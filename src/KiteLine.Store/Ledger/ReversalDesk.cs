using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Undoes postings. The original stays and its reversal stands beside it.</summary>
public static class ReversalDesk
{
    private sealed record EntryRow(long Id, long Kind, long? AccountId, string Text, string Currency, long? ReversedBy);

    private sealed record DocumentRow(long Id, long AccountId, long EntryId, long Kind, string Number, long Posting, long? ReversedBy);

    /// <summary>Reverses an entry of one account.</summary>
    /// <exception cref="RefusedException">No reason; it was reversed already, is a reversal, or later postings build on it.</exception>
    public static Effect<string> Reverse(Tx tx, long entryId, DateOnly businessDate, string reason, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        RefuseWithoutReason(reason);
        var entry = tx.Connection.QuerySingleOrDefault<EntryRow>(
            "SELECT e.id, e.kind, e.account_id, e.text, e.currency, (SELECT r.id FROM entry r WHERE r.reverses = e.id) reversed_by FROM entry e WHERE e.id = @entryId",
            new { entryId }) ?? throw new NotThereException("posting", $"{entryId}");
        if (entry.ReversedBy is not null) throw new RefusedException("entry", "This posting was reversed already.");
        if ((PostingKind)entry.Kind == PostingKind.Reversal) throw new RefusedException("entry", "A reversal is not reversed; post the original again instead.");
        if (entry.AccountId is not { } accountId) throw new RefusedException("entry", "Opening items that came in together are reversed one document at a time, on the account.");
        RefuseWhenBuiltOn(tx, tx.Connection.Query<long>("SELECT id FROM document WHERE account_id = @accountId AND entry_id = @entryId", new { accountId, entryId }));
        RefuseWhenChargedSince(tx, entryId);

        var account = tx.Connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @accountId", new { accountId });
        return Effect.Around(tx, account, businessDate, () =>
        {
            // To the very accounts the original went to, whatever the settings say today.
            var lines = tx.Connection.Query<(long Purpose, long Amount, string Account)>("SELECT purpose, amount, account FROM journal_line WHERE entry_id = @entryId ORDER BY line", new { entryId })
                .Select(l => new JournalLine((PostingPurpose)l.Purpose, Money.FromMinor(l.Amount, account.Currency), l.Account)).ToList();
            var posting = ReversalPosting.Of(lines, Movements(tx, account, entryId, null), businessDate, reason.Trim());
            var posted = PostingStore.Post(tx, account, posting, key: key, reverses: entryId);
            // Items of a late charge are charged from their former day again.
            tx.Connection.Execute(
                """
                UPDATE item SET charged_through = (SELECT former_through FROM charge_line c WHERE c.entry_id = @entryId AND c.item_id = item.id)
                WHERE id IN (SELECT item_id FROM charge_line WHERE entry_id = @entryId)
                """, new { entryId });
            OrderDesk.InvoiceReversed(tx, entryId, posted.EntryId, reason.Trim());
            return (posted, posting.Lines, entry.Text);
        });
    }

    /// <summary>
    /// Takes back one document that came in with the opening items, by an entry of its own against the opening balances.
    /// Its number is free again, for the same document put right.
    /// </summary>
    /// <exception cref="RefusedException">No reason; it is no opening document, was reversed already, or later postings build on it.</exception>
    public static Effect<string> ReverseOpening(Tx tx, long documentId, DateOnly businessDate, string reason, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        RefuseWithoutReason(reason);
        var document = tx.Connection.QuerySingleOrDefault<DocumentRow>(
            """
            SELECT d.id, d.account_id, d.entry_id, d.kind, d.number, e.kind posting,
                   (SELECT r.reversed_by FROM reversed_document r WHERE r.document_id = d.id) reversed_by
            FROM document d JOIN entry e ON e.id = d.entry_id WHERE d.id = @documentId
            """, new { documentId }) ?? throw new NotThereException("document", $"{documentId}");
        if ((PostingKind)document.Posting != PostingKind.Opening) throw new RefusedException("document", "This is no opening document; reverse its posting instead.");
        if (document.ReversedBy is not null) throw new RefusedException("document", "This document was reversed already.");
        RefuseWhenBuiltOn(tx, [documentId]);

        var account = tx.Connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @AccountId", new { document.AccountId });
        return Effect.Around(tx, account, businessDate, () =>
        {
            var movements = Movements(tx, account, document.EntryId, documentId);
            var lines = OpeningPosting.Lines((ItemKind)document.Kind, movements.Aggregate(Money.Zero(account.Currency), (sum, m) => sum + m.Movement.Amount));
            var posting = ReversalPosting.Of(lines, movements, businessDate, reason.Trim());
            var posted = PostingStore.Post(tx, account, posting, key: key);
            tx.Connection.Execute("INSERT INTO opening_reversal VALUES (@documentId, @EntryId)", new { documentId, posted.EntryId });
            return (posted, posting.Lines, document.Number);
        });
    }

    private static void RefuseWithoutReason(string reason)
    {
        if (string.IsNullOrWhiteSpace(reason)) throw new RefusedException("reason", "Give the reason, in a few words.");
    }

    private static List<PostedMovement> Movements(Tx tx, Account account, long entryId, long? documentId) =>
        tx.Connection.Query<(long ItemId, long Kind, string ValueDate, long Amount)>(
            """
            SELECT m.item_id, m.kind, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id
            WHERE i.account_id = @Id AND m.entry_id = @entryId AND (@documentId IS NULL OR i.document_id = @documentId) ORDER BY m.item_id, m.seq
            """, new { account.Id, entryId, documentId })
            .Select(m => new PostedMovement(m.ItemId, new((MovementKind)m.Kind, Columns.Date(m.ValueDate), Money.FromMinor(m.Amount, account.Currency)))).ToList();

    // CROSS JOIN keeps the order: from the documents, by the account, to what moved their items.
    // What later postings took from these documents' items, and charges raised on them, must be undone first.
    private static void RefuseWhenBuiltOn(Tx tx, IEnumerable<long> documents) => RefuseBecauseOf(tx.Connection.QueryFirstOrDefault<string>(
        """
        SELECT coalesce((SELECT number FROM document x WHERE x.account_id = d.account_id AND x.entry_id = later.id), later.text)
        FROM document d CROSS JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
        CROSS JOIN movement m ON m.item_id = i.id CROSS JOIN entry later ON later.id = m.entry_id
        WHERE d.id IN @documents AND later.id <> d.entry_id AND later.reverses IS NULL
          AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = later.id)
        UNION ALL
        SELECT charge.number FROM document d CROSS JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
        CROSS JOIN charge_line c ON c.item_id = i.id JOIN document charge ON charge.account_id = d.account_id AND charge.entry_id = c.entry_id
        WHERE d.id IN @documents AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
        LIMIT 1
        """, new { documents }));

    // A charge can be taken back only from the end, since the next one counted on from it.
    private static void RefuseWhenChargedSince(Tx tx, long entryId) => RefuseBecauseOf(tx.Connection.QueryFirstOrDefault<string>(
        """
        SELECT d.number FROM charge_line mine JOIN charge_line c ON c.item_id = mine.item_id AND c.entry_id > mine.entry_id
        JOIN item i ON i.id = c.item_id JOIN document d ON d.account_id = i.account_id AND d.entry_id = c.entry_id
        WHERE mine.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = c.entry_id)
        LIMIT 1
        """, new { entryId }));

    private static void RefuseBecauseOf(string? later)
    {
        if (later is not null) throw new RefusedException("entry", $"‘{later}’ was posted later and builds on this; reverse that first.");
    }
}
