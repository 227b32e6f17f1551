namespace KiteLine.Core;

/// <summary>All posting accounts of one currency together; what is debited is what is credited.</summary>
/// <param name="Opening">Zero in books that balance.</param>
/// <param name="Result">What the period adds to the result.</param>
public sealed record JournalSum(Currency Currency, Money Opening, Money Debits, Money Credits, Money Result)
{
    /// <summary>Zero in books that balance.</summary>
    public Money Closing => Opening + Debits - Credits;

    /// <summary>One for each currency, in the order of their codes.</summary>
    public static IReadOnlyList<JournalSum> Of(IEnumerable<JournalBalance> balances)
    {
        ArgumentNullException.ThrowIfNull(balances);
        return
        [
            .. balances
                .GroupBy(b => b.Debits.Currency)
                .OrderBy(g => g.Key.Code, StringComparer.Ordinal)
                .Select(g => new JournalSum(
                    g.Key,
                    Sum(g, b => b.Opening),
                    Sum(g, b => b.Debits),
                    Sum(g, b => b.Credits),
                    Sum(g, b => b.Effect)
                )),
        ];
    }

    private static Money Sum(IGrouping<Currency, JournalBalance> of, Func<JournalBalance, Money> part) =>
        of.Aggregate(Money.Zero(of.Key), (sum, b) => sum + part(b));
}
