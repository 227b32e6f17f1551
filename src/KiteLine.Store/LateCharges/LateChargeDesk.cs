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
        return ChargeDecision.Of(ledger.Items, ledger.Policy, ledger.ChargeTax, through, leaveOut ?? [], rules);
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
        var policy = PolicyStore
            .Find<LateChargePolicy>(tx.Connection, PolicyKind.LateCharge, account.LateChargePolicy)!
            .Id;
        var today = tx.BusinessDate();
        foreach (var line in decision.Lines)
        {
            var (former, through) = (line.Item.ChargedThrough(today), line.CoveredThrough(today));
            tx.Connection.Execute(
                """
                INSERT INTO charge_line (entry_id, item_id, through, former_through, amount, compensation, correction,
                    policy_id)
                VALUES (@EntryId, @Id, @through, @former, @Minor, @Compensation, @Correction, @policy)
                """,
                new
                {
                    posted.EntryId,
                    line.Item.Id,
                    through,
                    former,
                    line.Total.Minor,
                    Compensation = line.Compensation.Minor,
                    Correction = line.Correction.Minor,
                    policy,
                }
            );
            tx.Connection.Execute(
                "UPDATE item SET charged_through = @through WHERE id = @Id",
                new { through, line.Item.Id }
            );
        }

        return posted;
    }
}
