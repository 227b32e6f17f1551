using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Raises late charges.</summary>
public sealed class LateChargeDesk(ItemStore items)
{
    /// <summary>What an account has accrued through a day and was not charged yet; items with nothing to charge are left out.</summary>
    public IReadOnlyList<ItemCharge> Accrued(SqliteConnection connection, Account account, DateOnly through)
    {
        ArgumentNullException.ThrowIfNull(account);
        if (PolicyStore.LateCharge(connection, account.LateChargePolicy) is not { } policy) return [];
        var rounding = CompanyStore.Settings(connection).Rounding;
        return AccountCharges.On(items.Items(connection, account, alsoClosed: true), policy, through, rounding).Where(c => !c.Total.IsZero).ToList();
    }

    /// <summary>Raises what is accrued through a day as one document. Items left out by the controller accrue on.</summary>
    /// <exception cref="RefusedException">There is no policy, it is for showing only, or nothing has accrued.</exception>
    public Effect<IReadOnlyList<ItemCharge>> Raise(
        Tx tx, string code, DateOnly through, DateOnly businessDate, IReadOnlyCollection<long>? leaveOut = null, RequestKey? key = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var account = AccountStore.Get(tx.Connection, code);
        var policy = PolicyStore.LateCharge(tx.Connection, account.LateChargePolicy)
            ?? throw new RefusedException("policy", "The account has no late-charge policy; give it one first.");
        if (policy.ShownOnly) throw new RefusedException("policy", "The account's policy shows charges on letters and quotes and never posts them.");
        if (through > businessDate) throw new RefusedException("through", $"Charge through the business date, {Exactly.Day(businessDate)}, or an earlier day.");
        var charges = Accrued(tx.Connection, account, through).Where(c => leaveOut is null || !leaveOut.Contains(c.Item.Id)).ToList();
        if (charges.Count == 0) throw new RefusedException("through", $"Nothing has accrued through {Exactly.Day(through)} that was not charged before.");

        return Effect.Around<IReadOnlyList<ItemCharge>>(tx, account, businessDate, () =>
        {
            var tax = policy.TaxCode.Length == 0 ? null : PolicyStore.Find<TaxCode>(tx.Connection, PolicyKind.TaxCode, policy.TaxCode)?.Definition;
            var posting = LateChargePosting.Of(charges, policy, businessDate, tax, CompanyStore.Settings(tx.Connection).Rounding);
            var posted = PostingStore.Post(tx, account, posting, key: key);
            foreach (var charge in charges)
            {
                tx.Connection.Execute(
                    "INSERT INTO charge_line VALUES (@EntryId, @Id, @through, @ChargedThrough, @Minor, @Compensation)",
                    new { posted.EntryId, charge.Item.Id, through, charge.Item.ChargedThrough, charge.Total.Minor, Compensation = charge.Compensation.Minor });
                tx.Connection.Execute("UPDATE item SET charged_through = @through WHERE id = @Id", new { through, charge.Item.Id });
            }

            return (posted, posting.Lines, charges);
        });
    }
}
