using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What became of the discounts of accounts: read once, and anew of the accounts that changed since.</summary>
public sealed class DiscountOutcomeStore(ItemStore items)
{
    // So many accounts are read together.
    private const int Together = 2000;

    private readonly PerAccount<ItemDiscountOutcome[]> _kept = new();
    private RoundingRule _rounding;

    /// <summary>By account; those whose terms offer no discount have none.</summary>
    public IReadOnlyDictionary<long, ItemDiscountOutcome[]> Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        if (rounding != _rounding)
            _kept.Clear();
        _rounding = rounding;
        return _kept.Of(accounts, [], missing => Read(connection, missing, rounding));
    }

    private IEnumerable<(long, ItemDiscountOutcome[])> Read(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        RoundingRule rounding
    )
    {
        foreach (var some in accounts.Chunk(Together))
        foreach (var currency in some.GroupBy(a => a.Currency, a => a.Id))
        foreach (
            var account in items
                .Discounted(connection, currency.Key, [.. currency], rounding)
                .Select(i => (i.Account, i.Item, Outcome: DiscountOutcome.Of(i.Item, rounding)))
                .Where(i => i.Outcome is not null)
                .GroupBy(i => i.Account)
        )
            yield return (
                account.Key,
                [.. account.Select(i => new ItemDiscountOutcome(i.Item.Id, i.Item.Document, i.Outcome!))]
            );
    }
}
