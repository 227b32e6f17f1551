using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Accounts whose reminders are paused, and those that were handed over to be collected.</summary>
public static class HoldStore
{
    /// <summary>Puts reminders of an account off until a day.</summary>
    /// <exception cref="RefusedException">See <see cref="HoldDecision.RefusePause"/>.</exception>
    public static void Pause(Tx tx, Account account, DateOnly until, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var today = tx.BusinessDate();
        HoldDecision.RefusePause(Book(tx, account), until, reason, today);
        tx.Connection.Execute(
            """
            INSERT INTO account_pause (account_id, from_date, until_date, reason, made_by, made_at)
            VALUES (@Id, @today, @until, @reason, @Who, @Now)
            """,
            new
            {
                account.Id,
                today,
                until,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, $"account:{account.Code}", "reminders paused", new { until }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Lets reminders go out again from the business date on.</summary>
    /// <exception cref="NotThereException">The account has no such pause.</exception>
    /// <exception cref="RefusedException">It is over, or no reason is given.</exception>
    public static void EndPause(Tx tx, Account account, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        HoldDecision.Needed(reason);
        var today = tx.BusinessDate();
        var pause =
            Book(tx, account).Pauses.FirstOrDefault(p => p.Id == id) ?? throw new NotThereException("pause", $"{id}");
        if (!pause.HoldsOn(today))
            throw new RefusedException("pause", "This pause is over.");
        tx.Connection.Execute(
            """
            INSERT INTO account_pause_ended (pause_id, on_date, reason, made_by, made_at)
            VALUES (@id, @today, @reason, @Who, @Now)
            """,
            new
            {
                id,
                today,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(tx, $"account:{account.Code}", "pause ended", new { pause.Until }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Hands an account over to be collected by others: runs leave it alone from the business date on.</summary>
    /// <exception cref="RefusedException">See <see cref="HoldDecision.RefuseHandOver"/>.</exception>
    public static void HandOver(Tx tx, Account account, CollectionKind kind, string to, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var today = tx.BusinessDate();
        HoldDecision.RefuseHandOver(Book(tx, account), to, reason, today);
        tx.Connection.Execute(
            """
            INSERT INTO collection_case (account_id, from_date, kind, handed_to, reason, made_by, made_at)
            VALUES (@Id, @today, @kind, @to, @reason, @Who, @Now)
            """,
            new
            {
                account.Id,
                today,
                kind,
                to = to.Trim(),
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        ContactLog.Add(
            tx,
            account,
            ContactKind.Note,
            today,
            "",
            $"The account was handed to {to.Trim()}: {reason.Trim()}",
            today
        );
        Audit.Record(tx, $"account:{account.Code}", "handed over", new { kind, to }, reason);
        tx.Touch(account.Id);
    }

    /// <summary>Takes an account back from those who collect it.</summary>
    /// <exception cref="RefusedException">It is not with anybody, or no reason is given.</exception>
    public static void TakeBack(Tx tx, Account account, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        HoldDecision.Needed(reason);
        var today = tx.BusinessDate();
        var theirs =
            CollectionCase.On(Book(tx, account), today)
            ?? throw new RefusedException("account", "This account was not handed over.");
        tx.Connection.Execute(
            """
            INSERT INTO collection_taken_back (case_id, on_date, reason, made_by, made_at)
            VALUES (@Id, @today, @reason, @Who, @Now)
            """,
            new
            {
                theirs.Id,
                today,
                reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        ContactLog.Add(
            tx,
            account,
            ContactKind.Note,
            today,
            "",
            $"The account was taken back from {theirs.To}: {reason.Trim()}",
            today
        );
        Audit.Record(tx, $"account:{account.Code}", "taken back", new { theirs.To }, reason);
        tx.Touch(account.Id);
    }

    private static BookAccount Book(Tx tx, Account account) => BookLoader.Load(tx.Connection, [account.Id])[0];
}
