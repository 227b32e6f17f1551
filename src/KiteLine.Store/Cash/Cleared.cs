using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Entries of the bank that settle what was in transit: a refund that it paid, or a slip that it credited. No customer's
/// account changes.
/// </summary>
public static class Cleared
{
    /// <summary>What cleared a thing does so until it is taken back.</summary>
    internal const string Standing = "NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = c.posting)";

    /// <summary>What an entry could settle, what bears its reference or has its amount first.</summary>
    /// <param name="entry">It waits.</param>
    public static IReadOnlyList<InTransit> Candidates(SqliteConnection connection, StoredEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        return Candidates(connection, [entry])(entry.Entry);
    }

    /// <summary>The same for many entries of one bank account.</summary>
    public static Func<BankEntry, IReadOnlyList<InTransit>> Candidates(
        SqliteConnection connection,
        IReadOnlyList<StoredEntry> entries
    )
    {
        ArgumentNullException.ThrowIfNull(entries);
        if (entries.Count == 0)
            return _ => [];
        var refunds = Refunds(connection, entries[0].Entry.Amount.Currency);
        var slips = Slips(connection, entries[0]);
        return e => e.Amount.Minor < 0 ? InTransit.Refunds(e, refunds) : InTransit.Slips(e, slips);
    }

    /// <summary>What settling a refund by an entry of the bank would do.</summary>
    /// <exception cref="RefusedException">The entry does not wait, or is not of this refund.</exception>
    public static Posting PreviewRefund(SqliteConnection connection, long entryId, long refundId, BooksRules rules)
    {
        var entry = BankEntryStore.Waiting(connection, entryId);
        var refund = RefundDesk.Get(connection, refundId);
        if (refund.State is RefundState.Paid or RefundState.Reversed)
            throw new RefusedException(
                "refund",
                refund.State == RefundState.Paid
                    ? $"The bank has paid {refund.Number} already."
                    : $"{refund.Number} was reversed."
            );
        return ClearedPosting.OfRefund(
            entry.Entry,
            refund.Money,
            refund.Number,
            BankDesk.MethodOf(connection, entryId),
            rules
        );
    }

    /// <summary>Settles a refund by an entry of the bank.</summary>
    public static (long EntryId, Posting Posting) OfRefund(Tx tx, long entryId, long refundId)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var posting = PreviewRefund(tx.Connection, entryId, refundId, tx.Rules());
        return (Post(tx, entryId, posting, refundId, null), posting);
    }

    /// <summary>What settling a slip by an entry of the bank would do.</summary>
    /// <exception cref="RefusedException">The entry does not wait, the slip is settled, or they differ and the difference is
    /// not explained or lies above the authority.</exception>
    public static Posting PreviewSlip(
        SqliteConnection connection,
        long entryId,
        long batchId,
        string reason,
        Authority authority,
        BooksRules rules
    )
    {
        var entry = BankEntryStore.Waiting(connection, entryId);
        var batch = BatchDesk.Get(connection, batchId);
        if (batch.SettledBy is not null)
            throw new RefusedException("slip", $"The slip {batch.Number} is settled already.");
        return ClearedPosting.OfBatch(
            entry.Entry,
            batch.Expected,
            batch.Number,
            CompanyStore.Settings(connection).PaymentMethods.FirstOrDefault(m => m.Code == batch.Method),
            BankDesk.MethodOf(connection, entryId),
            reason,
            authority,
            rules
        );
    }

    /// <summary>Settles a slip by an entry of the bank.</summary>
    public static (long EntryId, Posting Posting) OfSlip(Tx tx, long entryId, long batchId, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var posting = PreviewSlip(tx.Connection, entryId, batchId, reason, tx.Actor.Authority, tx.Rules());
        return (Post(tx, entryId, posting, null, batchId), posting);
    }

    /// <summary>Takes back what settled a thing in transit; the bank's entry waits again.</summary>
    /// <exception cref="RefusedException">No reason, or the entry settled nothing of the kind.</exception>
    public static long TakeBack(Tx tx, long entryId, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        var entry = BankEntryStore.Get(tx.Connection, entryId);
        var currency = entry.Entry.Amount.Currency;
        if (
            entry.Posting is not { } posted
            || !tx.Connection.ExecuteScalar<bool>(
                "SELECT EXISTS (SELECT 1 FROM cleared WHERE posting = @posted)",
                new { posted }
            )
        )
            throw new RefusedException("entry", "This entry settles neither a refund nor a slip.");
        var lines = ReversalDesk.Lines(tx.Connection, posted, currency);
        return PostingStore.PostOutside(
            tx,
            $"bank-entry:{entryId}",
            ReversalPosting.Of(lines, [], reason, tx.Rules()),
            posted
        );
    }

    private static long Post(Tx tx, long entryId, Posting posting, long? refund, long? batch)
    {
        var posted = PostingStore.PostOutside(tx, $"bank-entry:{entryId}", posting);
        BankEntryStore.Posted(tx, entryId, posted);
        Note(tx, posted, refund, batch);
        return posted;
    }

    /// <summary>Notes what a posting settled.</summary>
    public static void Note(Tx tx, long posting, long? refund, long? batch)
    {
        ArgumentNullException.ThrowIfNull(tx);
        tx.Connection.Execute(
            "INSERT INTO cleared (posting, refund_id, batch_id) VALUES (@posting, @refund, @batch)",
            new
            {
                posting,
                refund,
                batch,
            }
        );
    }

    // Refunds that the bank has not paid; few are in transit at any time, and more are looked for by their amount alone.
    private static IReadOnlyList<InTransit> Refunds(SqliteConnection connection, Currency currency) =>
        [
            .. connection
                .Query<(long Id, string Number, long Amount, string Holder, string BankAccount)>(
                    $"""
                    SELECT r.id, r.number, r.amount, r.holder, r.bank_account FROM refund r
                    WHERE r.currency = @Code AND NOT EXISTS (SELECT 1 FROM cleared c WHERE c.refund_id = r.id AND {Standing})
                        AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = r.entry_id)
                    ORDER BY r.id DESC LIMIT {InTransit.MostRead}
                    """,
                    new { currency.Code }
                )
                .Select(r => new InTransit(
                    r.Id,
                    false,
                    r.Number,
                    Money.FromMinor(r.Amount, currency),
                    r.Holder,
                    r.BankAccount
                )),
        ];

    private static IReadOnlyList<InTransit> Slips(SqliteConnection connection, StoredEntry entry) =>
        [
            .. BatchDesk
                .WaitingOn(connection, entry.Id)
                .Select(b => new InTransit(b.Id, true, b.Number, b.Expected, b.Method, "")),
        ];
}
