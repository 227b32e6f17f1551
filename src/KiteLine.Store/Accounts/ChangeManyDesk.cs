using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Changes one thing on many accounts at once, and takes such a change back.</summary>
public static class ChangeManyDesk
{
    /// <summary>Gives all chosen accounts the same value. Run in a rehearsal it shows what would change.</summary>
    /// <exception cref="RefusedException">There is no such field, the value does not fit, or nothing would
    /// change.</exception>
    public static ManyChange Apply(Tx tx, IReadOnlyCollection<string> codes, string? key, string value, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(codes);
        Reason.Needed(reason);
        if (codes.Count == 0)
            throw new RefusedException("codes", "Choose at least one account.");
        var field = AccountField.Of(key, CompanyStore.Settings(tx.Connection));
        var today = tx.BusinessDate();
        var accounts = AccountStore.Get(tx.Connection, codes);
        var changed = new List<(Account Account, string Was)>();
        var unchanged = 0;
        foreach (var code in codes)
        {
            var before = accounts[code];
            var was = field.Read(tx.Connection, before, today);
            if (field.Normal(tx.Connection, before, today, value.Trim()) == was)
            {
                unchanged++;
                continue;
            }

            Store(tx, field, before, value.Trim(), reason);
            changed.Add((before, was));
        }

        if (changed.Count == 0)
            return new(0, field.Title, value, [], unchanged);
        var after = AccountStore.Get(tx.Connection, [.. changed.Select(c => c.Account.Code)]);
        var lines = changed.ConvertAll(c => new ChangedAccount(
            c.Account.Code,
            c.Account.Name,
            c.Was,
            field.Read(tx.Connection, after[c.Account.Code], today)
        ));
        var batch = tx.Connection.ExecuteScalar<long>(
            "INSERT INTO change_batch (field, value, reason, made_by, made_at) VALUES (@Key, @value, @reason, @Who, "
                + "@Now) RETURNING id",
            new
            {
                field.Key,
                value = lines[0].After,
                reason,
                tx.Who,
                tx.Now,
            }
        );
        foreach (var line in lines)
            tx.Connection.Execute(
                "INSERT INTO change_batch_line VALUES (@batch, @Id, @Before, @After)",
                new
                {
                    batch,
                    after[line.Code].Id,
                    line.Before,
                    line.After,
                }
            );
        return new(batch, field.Title, value, lines, unchanged);
    }

    /// <summary>
    /// Gives the accounts of a change their former values again; those changed since are left as they are.
    /// </summary>
    /// <exception cref="RefusedException">It was undone already.</exception>
    public static (ManyChange Undone, IReadOnlyList<ChangedAccount> Left) Undo(Tx tx, long batchId)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var batch = Find(tx.Connection, batchId);
        if (batch.UndoneBy is not null)
            throw new RefusedException("batch", $"This change was undone already, by {batch.UndoneBy}.");
        var field = AccountField.Of(batch.Field, CompanyStore.Settings(tx.Connection));
        var today = tx.BusinessDate();
        var (undone, left) = (new List<ChangedAccount>(), new List<ChangedAccount>());
        var lines = tx
            .Connection.Query<(string Code, string Before, string After)>(
                "SELECT a.code, l.before, l.after FROM change_batch_line l JOIN account a ON a.id = l.account_id "
                    + "WHERE l.batch_id = @batchId ORDER BY a.code",
                new { batchId }
            )
            .AsList();
        var accounts = AccountStore.Get(tx.Connection, lines.ConvertAll(l => l.Code));
        foreach (var (code, before, after) in lines)
        {
            var account = accounts[code];
            var now = field.Read(tx.Connection, account, today);
            if (now != after)
            {
                left.Add(new(code, account.Name, now, now));
                continue;
            }

            Store(tx, field, account, before, $"Undone: {batch.Reason}");
            undone.Add(new(code, account.Name, after, before));
        }

        tx.Connection.Execute(
            "UPDATE change_batch SET undone_by = @Who, undone_at = @Now WHERE id = @batchId",
            new
            {
                batchId,
                tx.Who,
                tx.Now,
            }
        );
        return (new(batchId, field.Title, "", undone, 0), left);
    }

    /// <summary>The changes of many accounts that were made, latest first.</summary>
    public static IReadOnlyList<ChangeBatch> Made(SqliteConnection connection) =>
        connection
            .Query<ChangeBatch>(
                """
                SELECT b.id, b.field, b.value, b.reason, b.made_by, b.made_at, b.undone_by,
                    (SELECT count(*) FROM change_batch_line l WHERE l.batch_id = b.id) accounts
                FROM change_batch b ORDER BY b.id DESC LIMIT 50
                """
            )
            .AsList();

    private static ChangeBatch Find(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<ChangeBatch>(
            "SELECT id, field, value, reason, undone_by FROM change_batch WHERE id = @id",
            new { id }
        ) ?? throw new NotThereException("change", $"{id}");

    // What is wrong with the record's field is wrong with the value that was given.
    private static void Store(Tx tx, AccountField field, Account account, string value, string reason)
    {
        try
        {
            field.Store(tx, account, value, reason);
        }
        catch (RefusedException e) when (e.Problems.Any(p => p.Field == field.Key))
        {
            throw new RefusedException("value", e.Problems.First(p => p.Field == field.Key).Message);
        }
        catch (RefusedException e)
        {
            throw new RefusedException("codes", $"{account.Code}: {e.Message}");
        }
    }
}
