using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Posts opening documents that are typed in one by one, under the checks of the import.</summary>
public static class OpeningDesk
{
    /// <summary>Posts a document that was open before these books began.</summary>
    /// <param name="values">In the order of <see cref="OpenItemRow.Columns"/>; the first is the account.</param>
    /// <exception cref="RefusedException">Names every value that is wrong.</exception>
    public static Effect<string> Post(Tx tx, string code, string[] values, DateOnly businessDate)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(values);
        var account = AccountStore.Get(tx.Connection, code);
        return Effect.Around<string>(tx, account, businessDate, () =>
        {
            var problems = new List<FieldProblem>();
            using var import = new OpeningImport(tx, businessDate, p => problems.Add(new(p.Column, p.Reason)), only: account);
            var stored = import.OpenItem("", 0, values);
            if (!stored) throw new RefusedException(problems);
            var entry = import.Finish("typed in");
            tx.Touch(account.Id);
            return (new Posted(entry[0], [], values[1]), LedgerView.Journal(tx.Connection, entry[0]), values[1]);
        });
    }
}
