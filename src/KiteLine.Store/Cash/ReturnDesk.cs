using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Payments that the bank took back: the receipt is reversed by the statement's own entry.</summary>
public static class ReturnDesk
{
    // Of one amount on one bank account; a payment that came back is seldom older, and one that is is reversed by hand.
    private const int MostRead = 1000;

    private sealed record Row
    {
        public long Posting { get; init; }
        public string Account { get; init; } = "";
        public string AccountName { get; init; } = "";
        public string Document { get; init; } = "";
        public DateOnly ValueDate { get; init; }
        public long Amount { get; init; }
        public Currency Currency { get; init; } = null!;
        public string EndToEnd { get; init; } = "";
        public string PayerAccount { get; init; } = "";
    }

    /// <summary>The receipts that an entry may take back, the likeliest first; none where it takes nothing back.</summary>
    public static IReadOnlyList<ReturnedReceipt> Candidates(SqliteConnection connection, StoredEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        // A receipt stands as the posting of its entry, or as the one that an unassigned receipt became.
        var receipts = connection.Query<Row>(
            $"""
            SELECT x.id posting, a.code account, a.name account_name, d.number document, e.value_date, e.amount, o.currency,
                   e.end_to_end, e.payer_account
            FROM bank_entry e JOIN own_account o ON o.id = e.own_account_id
                JOIN bank_entry_posted p ON p.entry_id = e.id
                LEFT JOIN unassigned_receipt u ON u.entry_id = p.posting
                LEFT JOIN unassigned_receipt_assigned s ON s.receipt_id = u.id
                JOIN entry x ON x.id = coalesce(s.posting, p.posting) AND x.reverses IS NULL
                JOIN account a ON a.id = x.account_id
                JOIN document d ON d.account_id = x.account_id AND d.entry_id = x.id
            WHERE e.own_account_id = (SELECT own_account_id FROM bank_entry WHERE id = @id) AND e.amount = @amount
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses IN (x.id, p.posting))
            ORDER BY e.id DESC LIMIT {MostRead}
            """,
            new { id = entry.Id, amount = -entry.Entry.Amount.Minor }
        );
        return ReturnDecision.Candidates(
            entry.Entry,
            [
                .. receipts.Select(r => new BookedReceipt(
                    r.Posting,
                    r.Account,
                    r.AccountName,
                    r.Document,
                    r.ValueDate,
                    Money.FromMinor(r.Amount, r.Currency),
                    r.EndToEnd,
                    r.PayerAccount
                )),
            ]
        );
    }

    /// <summary>What reversing a receipt by an entry would do.</summary>
    /// <exception cref="RefusedException">The entry does not wait, or the receipt is none that it can take back.</exception>
    public static Effect<string> Preview(
        SqliteConnection connection,
        long entryId,
        long posting,
        string reason,
        Authority authority,
        BooksRules rules,
        Func<Currency, Money?>? bankFee = null
    )
    {
        var (entry, unassigned) = Checked(connection, entryId, posting);
        var effect = ReversalDesk.Preview(
            connection,
            posting,
            ReturnDecision.Reason(entry.Entry, reason),
            authority,
            rules,
            bankFee
        );
        return With(connection, effect, unassigned);
    }

    /// <summary>Reverses a receipt by an entry; one that was assigned later, down to the bank.</summary>
    /// <exception cref="RefusedException">The entry does not wait, or the receipt is none that it can take back.</exception>
    public static Effect<string> Reverse(
        Tx tx,
        long entryId,
        long posting,
        string reason,
        Func<Currency, Money?>? bankFee = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        var (entry, unassigned) = Checked(tx.Connection, entryId, posting);
        var why = ReturnDecision.Reason(entry.Entry, reason);
        var effect = ReversalDesk.Reverse(tx, posting, why, bankFee);
        var last = unassigned is { } receipt ? UnassignedDesk.TakeBack(tx, receipt.Id, why) : effect.EntryId;
        BankEntryStore.Posted(tx, entryId, last);
        return With(tx.Connection, effect, unassigned);
    }

    private static Effect<string> With(
        SqliteConnection connection,
        Effect<string> effect,
        (long Id, long Posting, Currency Currency)? unassigned
    ) =>
        unassigned is not { } receipt
            ? effect
            : effect with
            {
                Journal =
                [
                    .. effect.Journal,
                    .. ReversalDesk
                        .Lines(connection, receipt.Posting, receipt.Currency)
                        .Select(l => l with { Amount = -l.Amount }),
                ],
            };

    private static (StoredEntry Entry, (long Id, long Posting, Currency Currency)? Unassigned) Checked(
        SqliteConnection connection,
        long entryId,
        long posting
    )
    {
        var entry = BankEntryStore.Waiting(connection, entryId);
        var kind =
            connection.QuerySingleOrDefault<(long Kind, string Currency)?>(
                "SELECT kind, currency FROM entry WHERE id = @posting",
                new { posting }
            ) ?? throw new NotThereException("posting", $"{posting}");
        var currency = Currency.Of(kind.Currency);
        var unassigned = connection.QuerySingleOrDefault<(long Id, long EntryId)?>(
            "SELECT u.id, u.entry_id FROM unassigned_receipt_assigned s JOIN unassigned_receipt u ON u.id = s.receipt_id "
                + "WHERE s.posting = @posting",
            new { posting }
        );
        var brought = ReversalDesk
            .Lines(connection, unassigned?.EntryId ?? posting, currency)
            .Where(l => l.Purpose == PostingPurpose.Bank)
            .Aggregate(Money.Zero(currency), (sum, l) => sum + l.Amount);
        ReturnDecision.RefuseUnlessOf(entry.Entry, (PostingKind)kind.Kind, brought);
        return (entry, unassigned is { } u ? (u.Id, u.EntryId, currency) : null);
    }
}
