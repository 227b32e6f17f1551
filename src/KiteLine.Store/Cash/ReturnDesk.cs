using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Payments that the bank took back: the receipt is found and reversed by the statement's own entry.</summary>
public static class ReturnDesk
{
    // A payment that came back is seldom older; one that is can be reversed on its account.
    private const int MostShown = 10;

    private const string Receipts = $"""
        SELECT p.posting, a.code account, a.name account_name, d.number document, e.value_date, e.amount, o.currency
        FROM bank_entry e JOIN own_account o ON o.id = e.own_account_id
            JOIN bank_entry_posted p ON p.entry_id = e.id AND {BankEntryStore.Standing}
            JOIN entry x ON x.id = p.posting AND x.reverses IS NULL
            JOIN account a ON a.id = x.account_id
            JOIN document d ON d.account_id = x.account_id AND d.entry_id = x.id
        WHERE NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting) AND e.amount = @amount
            AND e.own_account_id = (SELECT own_account_id FROM bank_entry WHERE id = @id)
        """;

    private sealed record Row
    {
        public long Posting { get; init; }
        public string Account { get; init; } = "";
        public string AccountName { get; init; } = "";
        public string Document { get; init; } = "";
        public DateOnly ValueDate { get; init; }
        public long Amount { get; init; }
        public Currency Currency { get; init; } = null!;

        internal ReturnedReceipt By(ReturnedBy by) =>
            new(Posting, Account, AccountName, Document, ValueDate, Money.FromMinor(Amount, Currency), by);
    }

    /// <summary>The receipts that an entry may take back, the likeliest first; none where it takes nothing back.</summary>
    public static IReadOnlyList<ReturnedReceipt> Candidates(SqliteConnection connection, StoredEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (entry.Entry.Amount.Minor >= 0)
            return [];
        var of = new
        {
            id = entry.Id,
            amount = -entry.Entry.Amount.Minor,
            entry.Entry.EndToEnd,
            payer = Iban.Plain(entry.Entry.PayerAccount),
        };
        var found = new List<ReturnedReceipt>();
        if (entry.Entry.EndToEnd.Length > 0)
            Add(ReturnedBy.Reference, $"{Receipts} AND e.end_to_end = @EndToEnd ORDER BY e.id DESC LIMIT {MostShown}");
        var like = connection.Query<Row>($"{Receipts} ORDER BY e.id DESC LIMIT {100 * MostShown}", of).AsList();
        foreach (var named in NamedDocuments.In(entry.Entry.Remittance, [.. like.Select(r => r.Document)]))
            Take(like[named.Item].By(ReturnedBy.Document));
        if (of.payer.Length > 0)
            Add(
                ReturnedBy.BankAccount,
                $"{Receipts} AND upper(replace(e.payer_account, ' ', '')) = @payer ORDER BY e.id DESC LIMIT {MostShown}"
            );
        return found;

        void Add(ReturnedBy by, string sql)
        {
            foreach (var row in connection.Query<Row>(sql, of))
                Take(row.By(by));
        }

        void Take(ReturnedReceipt receipt)
        {
            if (found.Count < MostShown && found.All(f => f.Posting != receipt.Posting))
                found.Add(receipt);
        }
    }

    /// <summary>What reversing a receipt by an entry would do.</summary>
    /// <exception cref="RefusedException">The entry does not wait, or the receipt is none that it can take back.</exception>
    public static Effect<string> Preview(
        SqliteConnection connection,
        long entryId,
        long posting,
        string reason,
        BooksRules rules
    )
    {
        var entry = Checked(connection, entryId, posting);
        return ReversalDesk.Preview(connection, posting, Text(entry, reason), rules);
    }

    /// <summary>Reverses a receipt by an entry.</summary>
    /// <exception cref="RefusedException">The entry does not wait, or the receipt is none that it can take back.</exception>
    public static Effect<string> Reverse(Tx tx, long entryId, long posting, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var entry = Checked(tx.Connection, entryId, posting);
        var effect = ReversalDesk.Reverse(tx, posting, Text(entry, reason));
        BankEntryStore.Posted(tx, entryId, effect.EntryId);
        return effect;
    }

    // What the bank says is a reason; the controller may add one.
    private static string Text(StoredEntry entry, string reason) =>
        reason.Trim() is { Length: > 0 } given ? given
        : entry.Entry.ReturnReason.Length > 0 ? $"Returned by the bank: {entry.Entry.ReturnReason}"
        : "Returned by the bank";

    private static StoredEntry Checked(SqliteConnection connection, long entryId, long posting)
    {
        var entry = BankEntryStore.Waiting(connection, entryId);
        if (entry.Entry.Amount.Minor >= 0)
            throw new RefusedException("entry", "This entry is money that came in; it takes nothing back.");
        var receipt =
            connection.QuerySingleOrDefault<(long Kind, string Currency, long? Bank)?>(
                """
                SELECT e.kind, e.currency, (SELECT sum(amount) FROM journal_line j WHERE j.entry_id = e.id AND j.purpose = 2)
                FROM entry e WHERE e.id = @posting
                """,
                new { posting }
            ) ?? throw new NotThereException("posting", $"{posting}");
        if ((PostingKind)receipt.Kind != PostingKind.Receipt)
            throw new RefusedException("posting", "This posting is no receipt; choose the one that came back.");
        if (receipt.Currency != entry.Entry.Amount.Currency.Code || (receipt.Bank ?? 0) != -entry.Entry.Amount.Minor)
            throw new RefusedException(
                "posting",
                $"The receipt brought {Money.FromMinor(receipt.Bank ?? 0, Currency.Of(receipt.Currency))} "
                    + $"{receipt.Currency}, the bank took back {-entry.Entry.Amount} "
                    + $"{entry.Entry.Amount.Currency.Code}; choose the receipt that came back."
            );
        return entry;
    }
}
