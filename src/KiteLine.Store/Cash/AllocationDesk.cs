using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Sets credits against debits after both are in the books. Reversing the posting undoes it.</summary>
public sealed class AllocationDesk(ItemStore items)
{
    /// <summary>What setting a credit against debits would do.</summary>
    /// <param name="debits">What each item takes, by its identifier.</param>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public Effect<Posting> Preview(
        SqliteConnection connection,
        Account account,
        long credit,
        IReadOnlyList<(long Item, Money Amount)> debits,
        DateOnly valueDate,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        var posting = Decide(connection, account, credit, debits, valueDate, rules);
        return Effects.Shown(connection, account, rules.Today, posting.Lines, posting, book => book.After(posting));
    }

    /// <summary>Sets a credit against debits and shows what that did.</summary>
    public Effect<Posting> Set(
        Tx tx,
        Account account,
        long credit,
        IReadOnlyList<(long Item, Money Amount)> debits,
        DateOnly valueDate
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var posting = Decide(tx.Connection, account, credit, debits, valueDate, tx.Rules());
                return (PostingStore.Post(tx, account, posting), posting.Lines, posting);
            }
        );
    }

    private Posting Decide(
        SqliteConnection connection,
        Account account,
        long credit,
        IReadOnlyList<(long Item, Money Amount)> debits,
        DateOnly valueDate,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(debits);
        var open = items.Items(connection, account).ToDictionary(i => i.Id);
        Item Find(string field, long id) =>
            open.GetValueOrDefault(id)
            ?? throw new RefusedException(
                field,
                "This item is closed or is none of this account; choose among its open items."
            );
        return AllocationPosting.Of(
            Find("credit", credit),
            [.. debits.Select((d, i) => (Find($"items[{i}].item", d.Item), d.Amount))],
            valueDate,
            rules
        );
    }
}
