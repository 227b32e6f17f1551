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
    /// <param name="replaces">Open promises that it takes the place of.</param>
    /// <exception cref="RefusedException">No amount, a day that has passed, or one that it names is not open.</exception>
    public static void Add(
        Tx tx,
        Account account,
        Money amount,
        DateOnly dueOn,
        string contact,
        string note,
        IReadOnlyCollection<long>? replaces = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var today = tx.BusinessDate();
        ClaimDecision.RefusePromise(amount, dueOn, tx.Rules());
        var open = PromiseLedger.On(tx.Book(account), today, tx.Rules().Calendar).Open.Select(s => s.Promise.Id);
        if ((replaces ?? []).Except(open).Any())
            throw new RefusedException(
                "replaces",
                "A promise takes the place of open ones alone; withdraw one that was broken by itself."
            );
        var added = tx.Connection.ExecuteScalar<long>(
            "INSERT INTO promise (account_id, made_on, due_on, amount, contact, note, made_by, made_at) VALUES (@Id, "
                + "@today, @dueOn, @Minor, @contact, @note, @Who, @Now) RETURNING id",
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
                replaces = replaces is { Count: > 0 } ? replaces : null,
            },
            note
        );
        foreach (var id in (replaces ?? []).Distinct())
            Withdrawn(tx, id, "replaced by a later promise", added);
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
        Withdrawn(tx, id, reason.Trim(), null);
        Audit.Record(tx, $"account:{account.Code}", "promise withdrawn", new { promise = id }, reason);
        tx.Touch(account.Id);
    }

    private static void Withdrawn(Tx tx, long id, string reason, long? replacedBy) =>
        tx.Connection.Execute(
            "INSERT INTO promise_withdrawn VALUES (@id, @today, @reason, @Who, @Now, @replacedBy)",
            new
            {
                id,
                today = tx.BusinessDate(),
                reason,
                tx.Who,
                tx.Now,
                replacedBy,
            }
        );
}
