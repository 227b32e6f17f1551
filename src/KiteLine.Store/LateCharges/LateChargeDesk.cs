using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Raises late charges.</summary>
public sealed class LateChargeDesk(AccountLedgers ledgers)
{
    /// <summary>What raising the charge through a day comes to. Nothing is written.</summary>
    /// <exception cref="RefusedException">There is no policy, it is for showing only, or nothing has
    /// accrued.</exception>
    public ChargeDecision Decide(
        SqliteConnection connection,
        Account account,
        DateOnly through,
        IReadOnlyCollection<long>? leaveOut,
        BooksRules rules
    )
    {
        var ledger = ledgers.Of(connection, account);
        return ChargeDecision.Of(
            ledger.Items,
            ledger.Policy,
            ledger.ChargeTax,
            through,
            ChargeChanges.Without(leaveOut ?? []),
            rules
        );
    }

    /// <summary>What raising the charge would do.</summary>
    public Effect<ChargeDecision> Preview(
        SqliteConnection connection,
        string code,
        DateOnly through,
        IReadOnlyCollection<long>? leaveOut,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, code);
        var decision = Decide(connection, account, through, leaveOut, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            decision.Posting.Lines,
            decision,
            book => book.After(decision.Posting)
        );
    }

    /// <summary>
    /// Raises what is accrued through a day as one document and shows what that did. Items left out by the controller
    /// accrue on.
    /// </summary>
    public Effect<ChargeDecision> Raise(
        Tx tx,
        string code,
        DateOnly through,
        IReadOnlyCollection<long>? leaveOut = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var decision = Decide(tx.Connection, account, through, leaveOut, tx.Rules());
                return (Post(tx, account, decision), decision.Posting.Lines, decision);
            }
        );
    }

    /// <summary>Raises a charge that was decided on in this transaction.</summary>
    public static Posted Post(Tx tx, Account account, ChargeDecision decision)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(decision);
        var posted = PostingStore.Post(tx, account, decision.Posting);
        var policy = PolicyStore.CurrentId(tx.Connection, PolicyKind.LateCharge, account.LateChargePolicy!);
        var today = tx.BusinessDate();
        using var row = Prepared.Kept(
            tx.Connection,
            """
            INSERT INTO charge_line (entry_id, item_id, through, former_through, amount, compensation, correction, policy_id,
                cut_to)
            VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9)
            """
        );
        row.Bind(1, posted.EntryId);
        row.Bind(8, policy);
        foreach (var line in decision.Lines)
        {
            var (former, through) = (line.Item.ChargedThrough(today), line.CoveredThrough(today));
            row.Bind(2, line.Item.Id);
            row.Bind(3, Columns.Text(through));
            row.Bind(4, former is { } before ? Columns.Text(before) : null);
            row.Bind(5, line.Total.Minor);
            row.Bind(6, line.Compensation.Minor);
            row.Bind(7, line.Correction.Minor);
            row.Bind(9, line.Most?.Minor);
            row.Run();
        }

        return posted;
    }
}
