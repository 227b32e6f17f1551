using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What customers promised to pay.</summary>
public static class PromiseStore
{
    /// <summary>All promises of an account, latest first.</summary>
    public static IReadOnlyList<Promise> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<Promise>(
                """
                SELECT p.id, p.made_on, p.due_on, p.amount, p.contact, p.note, p.made_by, w.reason withdrawn
                FROM promise p LEFT JOIN promise_withdrawn w ON w.promise_id = p.id WHERE p.account_id = @Id
                    ORDER BY p.id DESC
                """,
                new { account.Id }
            )
            .AsList();
    }

    /// <summary>Writes down a promise given on the business date.</summary>
    /// <exception cref="RefusedException">No amount, or a day that has passed.</exception>
    public static void Add(Tx tx, Account account, Money amount, DateOnly dueOn, string contact, string note)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var today = tx.BusinessDate();
        ClaimDecision.RefusePromise(amount, dueOn, tx.Rules());
        tx.Connection.Execute(
            "INSERT INTO promise (account_id, made_on, due_on, amount, contact, note, made_by, made_at) VALUES (@Id, "
                + "@today, @dueOn, @Minor, @contact, @note, @Who, @Now)",
            new
            {
                account.Id,
                today,
                dueOn,
                amount.Minor,
                contact = contact.Trim(),
                note = note.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "promise",
            new
            {
                amount = amount.ToString(),
                dueOn,
                contact,
            },
            note
        );
        tx.Touch(account.Id);
    }

    /// <summary>Takes a promise back, such as one that was noted by mistake.</summary>
    public static void Withdraw(Tx tx, Account account, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reason.Needed(reason);
        var promise =
            Of(tx.Connection, account).FirstOrDefault(p => p.Id == id)
            ?? throw new NotThereException("promise", $"{id}");
        if (promise.Withdrawn is not null)
            throw new RefusedException("promise", "This promise was taken back already.");
        if (promise.DueOn < tx.BusinessDate())
            RelaxedChecks.RefuseLifting(account.Profile.Responses.PromiseBroken, tx.Actor.Authority, "promise");
        tx.Connection.Execute(
            "INSERT INTO promise_withdrawn VALUES (@id, @today, @reason, @Who, @Now)",
            new
            {
                id,
                today = tx.BusinessDate(),
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, $"account:{account.Code}", "promise withdrawn", new { promise = id }, reason);
        tx.Touch(account.Id);
    }
}
