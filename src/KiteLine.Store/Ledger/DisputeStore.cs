using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Disputes of items, from the day they are raised to the day they are settled.</summary>
public static class DisputeStore
{
    private const string Select = """
        SELECT d.id, d.item_id, d.amount, d.from_date, d.owner, d.reason, d.made_by, s.on_date settled_on, s.outcome,
            s.against_customer
        FROM item i JOIN dispute d ON d.item_id = i.id LEFT JOIN dispute_settled s ON s.dispute_id = d.id
        """;

    /// <summary>All disputes of an account, latest first.</summary>
    public static IReadOnlyList<Dispute> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<Dispute>(Select + " WHERE i.account_id = @Id ORDER BY d.id DESC", new { account.Id })
            .AsList();
    }

    /// <summary>Raises a dispute of an item, or of a part of it, from the business date on.</summary>
    /// <param name="byEntry">The payment that made it, with whose reversal it ends; null for none.</param>
    /// <exception cref="RefusedException">No reason, the item is closed or disputed already, or less is
    /// open.</exception>
    public static void Raise(
        Tx tx,
        Account account,
        long itemId,
        Money? amount,
        string owner,
        string reason,
        long? byEntry = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reason.Needed(reason);
        var item =
            tx.Connection.QuerySingleOrDefault<(long Open, string Number)?>(
                "SELECT i.open, d.number FROM item i JOIN document d ON d.id = i.document_id WHERE i.id = @itemId "
                    + "AND i.account_id = @Id",
                new { itemId, account.Id }
            ) ?? throw new NotThereException("item", $"{itemId}");
        var known = Of(tx.Connection, account).Any(d => d.ItemId == itemId && d.SettledOn is null);
        var disputed = ClaimDecision
            .Disputed(item.Number, Money.FromMinor(item.Open, account.Currency), amount, known)
            .Minor;
        tx.Connection.Execute(
            "INSERT INTO dispute (item_id, amount, from_date, owner, reason, made_by, made_at, entry_id) VALUES (@itemId, "
                + "@disputed, @today, @owner, @reason, @Who, @Now, @byEntry)",
            new
            {
                itemId,
                disputed,
                today = tx.BusinessDate(),
                owner = owner.Trim(),
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
                byEntry,
            }
        );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "dispute raised",
            new
            {
                document = item.Number,
                amount = Money.FromMinor(disputed, account.Currency).ToString(),
                owner,
            },
            reason
        );
        tx.Touch(account.Id);
    }

    /// <summary>Ends the disputes that a payment made, when that payment is reversed.</summary>
    internal static void EndWith(Tx tx, Account account, long entryId)
    {
        foreach (
            var id in tx
                .Connection.Query<long>(
                    "SELECT d.id FROM dispute d WHERE d.entry_id = @entryId AND NOT EXISTS (SELECT 1 FROM dispute_settled s "
                        + "WHERE s.dispute_id = d.id)",
                    new { entryId }
                )
                .AsList()
        )
            Settle(tx, account, id, "The payment that made it was reversed", againstCustomer: false);
    }

    /// <summary>Settles a dispute: from the business date on the item is as any other.</summary>
    /// <param name="againstCustomer">Whether the customer owes what was disputed.</param>
    public static void Settle(Tx tx, Account account, long id, string outcome, bool againstCustomer)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var dispute =
            Of(tx.Connection, account).FirstOrDefault(d => d.Id == id)
            ?? throw new NotThereException("dispute", $"{id}");
        ClaimDecision.RefuseSettling(dispute.SettledOn, outcome);
        tx.Connection.Execute(
            "INSERT INTO dispute_settled VALUES (@id, @today, @outcome, @Who, @Now, @againstCustomer)",
            new
            {
                id,
                today = tx.BusinessDate(),
                outcome = outcome.Trim(),
                tx.Who,
                tx.Now,
                againstCustomer,
            }
        );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "dispute settled",
            new
            {
                dispute = id,
                outcome,
                againstCustomer,
            }
        );
        tx.Touch(account.Id);
    }
}
