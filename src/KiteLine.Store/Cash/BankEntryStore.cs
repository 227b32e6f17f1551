using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the entries of stored bank statements, and notes what became of them.</summary>
public static class BankEntryStore
{
    // In texts of several lines; what a payer wrote has none of its own.
    private const char Lines = '\n';

    /// <summary>
    /// An entry's posting stands until it is reversed; where a return on a statement reversed it, the money came in and
    /// went back, and nothing waits.
    /// </summary>
    internal const string Standing =
        "NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting "
        + "AND NOT EXISTS (SELECT 1 FROM bank_entry_posted q WHERE q.posting = r.id))";

    /// <summary>An entry stays aside until it is taken up again.</summary>
    internal const string StillAside = "NOT EXISTS (SELECT 1 FROM bank_entry_taken_up t WHERE t.aside_id = s.id)";

    private const string Selected = $"""
        SELECT e.id, e.statement_id, e.reference, e.date, e.value_date, e.amount, e.booked, e.reversal, e.return_reason,
               e.charges, e.payer, e.payer_account, e.text, e.end_to_end, e.foreign_amount, o.currency,
               p.posting, x.reverses IS NOT NULL
                   OR EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting) went_back, a.code account, a.name account_name,
               coalesce((SELECT d.number FROM document d WHERE d.account_id = x.account_id AND d.entry_id = x.id),
                   (SELECT coalesce(f.number, b.number) FROM cleared c LEFT JOIN refund f ON f.id = c.refund_id
                       LEFT JOIN banking_batch b ON b.id = c.batch_id WHERE c.posting = x.id)) document,
               EXISTS (SELECT 1 FROM cleared c WHERE c.posting = x.id) cleared,
               s.reason
        FROM bank_entry e JOIN own_account o ON o.id = e.own_account_id
            LEFT JOIN bank_entry_posted p ON p.entry_id = e.id AND {Standing}
            LEFT JOIN entry x ON x.id = p.posting
            LEFT JOIN account a ON a.id = x.account_id
            LEFT JOIN bank_entry_aside s ON s.entry_id = e.id AND {StillAside}
        """;

    private sealed record Row
    {
        public long Id { get; init; }
        public long StatementId { get; init; }
        public string Reference { get; init; } = "";
        public DateOnly Date { get; init; }
        public DateOnly ValueDate { get; init; }
        public long Amount { get; init; }
        public bool Booked { get; init; }
        public bool Reversal { get; init; }
        public string ReturnReason { get; init; } = "";
        public long Charges { get; init; }
        public string Payer { get; init; } = "";
        public string PayerAccount { get; init; } = "";
        public string Text { get; init; } = "";
        public string EndToEnd { get; init; } = "";
        public string ForeignAmount { get; init; } = "";
        public Currency Currency { get; init; } = null!;
        public long? Posting { get; init; }
        public bool WentBack { get; init; }
        public bool Cleared { get; init; }
        public string? Account { get; init; }
        public string? AccountName { get; init; }
        public string? Document { get; init; }
        public string? Reason { get; init; }

        internal StoredEntry Entry() =>
            new(
                Id,
                StatementId,
                new()
                {
                    Reference = Reference,
                    Date = Date,
                    ValueDate = ValueDate,
                    Amount = Money.FromMinor(Amount, Currency),
                    Booked = Booked,
                    Reversal = Reversal,
                    ReturnReason = ReturnReason,
                    Charges = Money.FromMinor(Charges, Currency),
                    Payer = Payer,
                    PayerAccount = PayerAccount,
                    Text = Text.Length == 0 ? [] : Text.Split(Lines),
                    EndToEnd = EndToEnd,
                    Foreign = ForeignAmount,
                },
                !Booked ? EntryState.Pending
                    : Reason is not null ? EntryState.Aside
                    : Posting is null ? EntryState.Waiting
                    : Account is null && !WentBack && !Cleared ? EntryState.Unassigned
                    : EntryState.Posted,
                Posting,
                Account,
                AccountName,
                Document,
                Reason ?? "",
                Cleared
            );
    }

    /// <summary>The entries of a statement, in its order.</summary>
    public static IReadOnlyList<StoredEntry> Of(SqliteConnection connection, long statement) =>
        [
            .. connection
                .Query<Row>($"{Selected} WHERE e.statement_id = @statement ORDER BY e.id", new { statement })
                .Select(r => r.Entry()),
        ];

    /// <summary>Those of some entries that are there, in the order in which they came in.</summary>
    internal static IReadOnlyList<StoredEntry> Some(SqliteConnection connection, IReadOnlyCollection<long> ids) =>
        [
            .. connection
                .Query<Row>(
                    $"{Selected} WHERE e.id IN (SELECT value FROM json_each(@ids)) ORDER BY e.id",
                    new { ids = Json.Write(ids) }
                )
                .Select(r => r.Entry()),
        ];

    /// <summary>One entry.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static StoredEntry Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<Row>($"{Selected} WHERE e.id = @id", new { id })?.Entry()
        ?? throw new NotThereException("entry", $"{id}");

    /// <summary>The same, when it still waits.</summary>
    /// <exception cref="RefusedException">Something was decided about it already.</exception>
    public static StoredEntry Waiting(SqliteConnection connection, long id)
    {
        var entry = Get(connection, id);
        EntryDecision.RefuseUnlessWaiting(entry.State, entry.Document, entry.Account);
        return entry;
    }

    /// <summary>Notes what an entry became.</summary>
    internal static void Posted(Tx tx, long entry, long posting) =>
        tx.Connection.Execute(
            "INSERT INTO bank_entry_posted (entry_id, posting) VALUES (@entry, @posting)",
            new { entry, posting }
        );

    /// <summary>Puts an entry aside that is no customer's business.</summary>
    /// <exception cref="RefusedException">No reason, or it does not wait.</exception>
    public static void PutAside(Tx tx, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        var entry = Waiting(tx.Connection, id);
        tx.Connection.Execute(
            "INSERT INTO bank_entry_aside (entry_id, reason, made_by, made_at) VALUES (@id, @reason, @Who, @Now)",
            new
            {
                id,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            $"bank-entry:{id}",
            "Put aside",
            new { entry.Entry.Reference, amount = $"{entry.Entry.Amount}" },
            reason
        );
    }

    /// <summary>Takes an entry up again that was put aside.</summary>
    /// <exception cref="RefusedException">It is not aside.</exception>
    public static void TakeUp(Tx tx, long id)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var entry = Get(tx.Connection, id);
        EntryDecision.RefuseUnlessAside(entry.State);
        tx.Connection.Execute(
            $"""
            INSERT INTO bank_entry_taken_up (aside_id, made_by, made_at)
            SELECT s.id, @Who, @Now FROM bank_entry_aside s WHERE s.entry_id = @id AND {StillAside}
            """,
            new
            {
                id,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, $"bank-entry:{id}", "Taken up", new { entry.Entry.Reference }, "");
    }
}
