using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What of Today was put off, and until when.</summary>
public static class PutOffStore
{
    /// <summary>Everything that was put off, by the key of its entry; also what is back already.</summary>
    public static IReadOnlyDictionary<string, PutOff> All(SqliteConnection connection) =>
        connection
            .Query<(string Entry, string Until, string Reason, string MadeBy)>(
                "SELECT entry, until, reason, made_by FROM today_put_off"
            )
            .ToDictionary(
                r => r.Entry,
                r => new PutOff(r.Entry, Columns.Date(r.Until), r.Reason, r.MadeBy),
                StringComparer.Ordinal
            );

    /// <summary>Puts an entry off; on its date it comes back.</summary>
    /// <exception cref="RefusedException">The date is not after the business date, or more than a year
    /// away.</exception>
    public static void Put(Tx tx, string entry, DateOnly until, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        PutOffRule.RefuseUnlessSound(entry, until, reason, tx.BusinessDate());
        tx.Connection.Execute(
            "INSERT OR REPLACE INTO today_put_off VALUES (@entry, @until, @reason, @Who, @Now)",
            new
            {
                entry,
                until,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, "today", "put off", new { entry, until }, reason);
    }

    /// <summary>Takes an entry up again before its date.</summary>
    public static void TakeUp(Tx tx, string entry)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (tx.Connection.Execute("DELETE FROM today_put_off WHERE entry = @entry", new { entry }) == 0)
            throw new NotThereException("entry", entry);
        Audit.Record(tx, "today", "taken up", new { entry });
    }
}
