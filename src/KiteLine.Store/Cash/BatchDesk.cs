using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Banks money that was taken by hand: receipts collected on slips that the bank's statement settles.</summary>
public static class BatchDesk
{
    private const string Columns = """
        SELECT e.id posting, d.number, a.code account_code, a.name account_name, d.date, d.reference,
            d.payment_method method, e.currency, d.net amount,
            EXISTS (SELECT 1 FROM entry x WHERE x.reverses = e.id) reversed
        """;

    private const string OfEntry = """
        CROSS JOIN account a ON a.id = e.account_id JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id
        """;

    private const string ToBank = $"""
        {Columns} FROM to_bank t CROSS JOIN entry e ON e.id = t.posting {OfEntry}
        WHERE t.method IN @hand AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = e.id)
        """;

    // A receipt that was reversed once the bank had credited the slip changes nothing of what it credited.
    private const string Batches = $"""
        SELECT b.id, b.number, o.account, o.currency, b.method, b.banked_on, b.made_by,
            (SELECT count(*) FROM slip_receipt r WHERE r.batch_id = b.id) receipts,
            (SELECT coalesce(sum(d.net), 0) FROM slip_receipt r CROSS JOIN entry e ON e.id = r.posting
                JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id WHERE r.batch_id = b.id) total,
            (SELECT coalesce(sum(d.net), 0) FROM slip_receipt r CROSS JOIN entry e ON e.id = r.posting
                JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id JOIN entry x ON x.reverses = e.id
                WHERE r.batch_id = b.id AND (c.posting IS NULL OR x.id < c.posting)) reversed,
            c.posting settled_by,
            (SELECT l.amount FROM journal_line l WHERE l.entry_id = c.posting AND l.line = 0) credited
        FROM banking_batch b JOIN own_account o ON o.id = b.own_account_id
            LEFT JOIN cleared c ON c.batch_id = b.id AND {Cleared.Standing}
        """;

    /// <summary>Receipts that were taken by hand and are not banked yet, the oldest first.</summary>
    public static IReadOnlyList<HandReceipt> Waiting(SqliteConnection connection, int skip, int take) =>
        connection
            .Query<HandReceipt>(
                $"{ToBank} ORDER BY e.id LIMIT @take OFFSET @skip",
                new
                {
                    hand = ByHand(connection),
                    skip,
                    take,
                }
            )
            .AsList();

    /// <summary>How many there are.</summary>
    public static long CountWaiting(SqliteConnection connection) =>
        connection.ExecuteScalar<long>($"SELECT count(*) FROM ({ToBank})", new { hand = ByHand(connection) });

    // Codes of the methods by which money is taken by hand.
    private static string[] ByHand(SqliteConnection connection) =>
        [.. CompanyStore.Settings(connection).PaymentMethods.Where(m => m.ByHand).Select(m => m.Code)];

    /// <summary>Slips, the latest first.</summary>
    public static IReadOnlyList<BankingBatch> All(SqliteConnection connection, int skip, int take) =>
        connection
            .Query<BankingBatch>($"{Batches} ORDER BY b.id DESC LIMIT @take OFFSET @skip", new { skip, take })
            .AsList();

    /// <summary>How many there are.</summary>
    public static long Count(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM banking_batch");

    /// <summary>One slip.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static BankingBatch Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<BankingBatch>($"{Batches} WHERE b.id = @id", new { id })
        ?? throw new NotThereException("slip", $"{id}");

    /// <summary>The receipts on a slip, in the order in which they were taken.</summary>
    public static IReadOnlyList<HandReceipt> On(SqliteConnection connection, long id) =>
        connection
            .Query<HandReceipt>(
                $"""
                {Columns} FROM slip_receipt r CROSS JOIN entry e ON e.id = r.posting {OfEntry}
                WHERE r.batch_id = @id ORDER BY e.id
                """,
                new { id }
            )
            .AsList();

    /// <summary>Slips that are paid in to the bank account of an entry and that it has not credited yet.</summary>
    internal static IReadOnlyList<BankingBatch> WaitingOn(SqliteConnection connection, long entryId) =>
        connection
            .Query<BankingBatch>(
                $"""
                {Batches} WHERE c.posting IS NULL
                    AND EXISTS (SELECT 1 FROM slip_receipt r WHERE r.batch_id = b.id)
                    AND b.own_account_id = (SELECT own_account_id FROM bank_entry WHERE id = @entryId)
                ORDER BY b.id DESC LIMIT {InTransit.MostRead}
                """,
                new { entryId }
            )
            .AsList();

    /// <summary>Notes that a receipt was taken by hand.</summary>
    internal static void Taken(Tx tx, long posting, string method) =>
        tx.Connection.Execute(
            "INSERT INTO hand_receipt (posting, method) VALUES (@posting, @method)",
            new { posting, method }
        );

    /// <summary>Those of some receipts that wait to be banked.</summary>
    /// <exception cref="RefusedException">One of them does not wait.</exception>
    internal static IReadOnlyList<HandReceipt> Waiting(SqliteConnection connection, long[] wanted, string field)
    {
        var waiting = connection
            .Query<HandReceipt>($"{ToBank} AND e.id IN @wanted", new { wanted, hand = ByHand(connection) })
            .ToDictionary(r => r.Posting);
        return
        [
            .. wanted.Select(p =>
                waiting.GetValueOrDefault(p)
                ?? throw new RefusedException(
                    field,
                    "One of the receipts is banked or reversed already, or was not taken by hand."
                )
            ),
        ];
    }

    /// <summary>The slip on which a receipt stands; null where it stands on none.</summary>
    internal static BankingBatch? Of(SqliteConnection connection, long posting) =>
        connection.QuerySingleOrDefault<BankingBatch>(
            $"{Batches} WHERE b.id = (SELECT batch_id FROM slip_receipt WHERE posting = @posting)",
            new { posting }
        );

    /// <summary>Puts receipts on one slip.</summary>
    /// <param name="ownAccount">The bank account that they are paid in to.</param>
    /// <param name="postings">The entries of the receipts.</param>
    /// <exception cref="RefusedException">A receipt is banked or reversed already, they were not taken by one method, or the
    /// account is none of the company's or in another currency.</exception>
    public static BankingBatch Make(Tx tx, string ownAccount, DateOnly? bankedOn, IReadOnlyCollection<long> postings)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(postings);
        var own =
            OwnAccountStore.Find(tx.Connection, ownAccount)
            ?? throw new RefusedException("account", "This is no bank account of the company; add it first.");
        var wanted = postings.Distinct().ToArray();
        if (wanted.Length is 0 or > BankingSlip.MostReceipts)
            throw new RefusedException("receipts", $"Choose 1 to {BankingSlip.MostReceipts} receipts for a slip.");
        var receipts = Waiting(tx.Connection, wanted, "receipts");
        BankingSlip.RefuseUnlessTogether([.. receipts.Select(r => (r.Method, r.Currency))], own.Currency);
        var number = Numbers.Next(tx, CompanyStore.Settings(tx.Connection), DocumentSeries.BankingSlip);
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO banking_batch (number, own_account_id, method, banked_on, made_by, made_at)
            VALUES (@number, @Id, @Method, @on, @Who, @Now) RETURNING id
            """,
            new
            {
                number,
                own.Id,
                receipts[0].Method,
                on = bankedOn ?? tx.Rules().Today,
                tx.Who,
                tx.Now,
            }
        );
        foreach (var receipt in receipts)
            // One that came off another slip comes onto this one.
            if (
                tx.Connection.ExecuteScalar<bool>(
                    "SELECT EXISTS (SELECT 1 FROM banking_batch_receipt WHERE posting = @Posting)",
                    new { receipt.Posting }
                )
            )
                SlipDesk.Note(tx, id, receipt.Posting, off: false, "Banked with this slip");
            else
                tx.Connection.Execute(
                    "INSERT INTO banking_batch_receipt (batch_id, posting) VALUES (@id, @Posting)",
                    new { id, receipt.Posting }
                );
        Audit.Record(tx, "banking", "slip written", new { number, receipts = receipts.Count });
        return Get(tx.Connection, id);
    }
}
