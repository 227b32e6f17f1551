using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Reads what measures need of accounts beside their items: once, and anew of the accounts that changed since. What was
/// settled before the books began is a document's gross amount less what was brought in as open.
/// </summary>
public sealed class AccountHistoryStore(ItemStore items)
{
    // More accounts than these are read with the whole book.
    private const int Few = 1000;

    // So many items are looked at side by side.
    private const int Together = 10_000;

    private readonly PerAccount<AccountHistory> _kept = new();

    private readonly record struct Made(int Account, ItemDiscountOutcome Outcome);

    /// <summary>In the order of the accounts.</summary>
    public IReadOnlyList<AccountHistory> Of(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        return _kept.Of(accounts, rounding, AccountHistory.None, missing => Read(connection, missing, rounding));
    }

    /// <summary>What was paid before the books began of one account's invoices.</summary>
    public static IReadOnlyList<PaidBefore> SoldBefore(
        SqliteConnection connection,
        BookAccount account,
        ItemStore items
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        var before = new PaidBeforeReader([account]);
        foreach (var history in items.Histories(connection, [account], all: false))
            before.Add(history);
        return [.. before.End()[0]];
    }

    private IEnumerable<(long, AccountHistory)> Read(
        SqliteConnection connection,
        IReadOnlyList<BookAccount> accounts,
        RoundingRule rounding
    )
    {
        var (made, before) = (new List<Made[]>(), new PaidBeforeReader(accounts));
        foreach (var some in items.Histories(connection, accounts, accounts.Count > Few).Chunk(Together))
        {
            var outcomes = new DiscountOutcome?[some.Length];
            Parallel.For(
                0,
                some.Length,
                i =>
                {
                    if (some[i].Offer is { } offer)
                        outcomes[i] = DiscountOutcome.Of(
                            offer.On(BookItems.Of(accounts[some[i].Account], some[i].At), rounding),
                            rounding
                        );
                }
            );
            made.Add([
                .. some.Select((h, i) => (h, Outcome: outcomes[i]))
                    .Where(o => o.Outcome is not null)
                    .Select(o => new Made(o.h.Account, new(accounts[o.h.Account].ItemIds[o.h.At], o.Outcome!.Value))),
            ]);
            foreach (var history in some)
                before.Add(history);
        }

        return Dealt(accounts, made, before.End());
    }

    // Each account's own, in arrays that are as long as they must be.
    private static IEnumerable<(long, AccountHistory)> Dealt(
        IReadOnlyList<BookAccount> accounts,
        List<Made[]> made,
        ILookup<int, PaidBefore> before
    )
    {
        var counts = new int[accounts.Count];
        foreach (var some in made)
        foreach (ref readonly var one in some.AsSpan())
            counts[one.Account]++;
        var dealt = Array.ConvertAll(counts, n => n == 0 ? [] : new ItemDiscountOutcome[n]);
        Array.Clear(counts);
        foreach (var some in made)
        foreach (ref readonly var one in some.AsSpan())
            dealt[one.Account][counts[one.Account]++] = one.Outcome;
        for (var i = 0; i < dealt.Length; i++)
            if (dealt[i].Length > 0 || before.Contains(i))
                yield return (accounts[i].Id, new([.. before[i]], dealt[i]));
    }
}
