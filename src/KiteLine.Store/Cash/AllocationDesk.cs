using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Sets credits against debits after both are in the books. Reversing the posting undoes it.</summary>
public sealed class AllocationDesk(ItemStore items)
{
    /// <summary>Sets a credit of the account against one of its debits.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public Posted Set(Tx tx, Account account, long credit, long debit, Money amount, DateOnly valueDate)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var open = items.Items(tx.Connection, account);
        Item Find(string field, long id) =>
            open.FirstOrDefault(i => i.Id == id)
            ?? throw new RefusedException(
                field,
                "This item is closed or is none of this account; choose among its open items."
            );
        return PostingStore.Post(
            tx,
            account,
            AllocationPosting.Of(Find("credit", credit), Find("debit", debit), amount, valueDate, tx.Rules())
        );
    }
}
