namespace KiteLine.Core;

/// <summary>
/// How cash settles several items. A person, a proposal, a file or a calculator only chooses the items and
/// their order; this says how they are settled.
/// </summary>
/// <param name="Items">One for each item, in their order. A credit that is used has its cash below zero.</param>
/// <param name="OnAccount">Cash that no item took.</param>
/// <param name="Bounded">Whether not every choice among the discounts was looked at, since there are too many.</param>
public sealed record ItemsSettlement(
    IReadOnlyList<ItemSettlement> Items,
    Money OnAccount,
    SettlementMatch Match,
    bool Bounded = false
)
{
    /// <summary>
    /// Settles named items: those that match the cash, all in full first, then all less their discounts in force, then
    /// mixed, then with a difference within the allowance, which is judged on the sum of what they owe and written off on
    /// the one due last. Items that do not match are filled.
    /// </summary>
    /// <param name="cash">What was received, above zero.</param>
    /// <param name="needs">Of items and credits, oldest due first.</param>
    /// <param name="allowance">In their currency.</param>
    public static ItemsSettlement Named(
        Money cash,
        IReadOnlyList<ItemNeed> needs,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(needs);
        ArgumentNullException.ThrowIfNull(allowance);
        if (Matched(cash, needs, rounding, out var bounded) is { } exact)
            return exact;
        var zero = Money.Zero(cash.Currency);
        var owed = needs.Aggregate(zero, (sum, n) => sum + n.Owed);
        var shortfall = owed - cash;
        var difference = needs.Aggregate(shortfall, (rest, n) => rest - n.Discount);
        var unearned = needs.Any(n => n.Ended(shortfall) is not null || n.Ended(difference) is not null);
        if (!unearned && difference > zero && allowance.Allows(difference, owed))
        {
            ItemSettlement[] items = [.. needs.Select(n => ItemSettlement.Whole(n, discounted: true))];
            for (var i = items.Length - 1; i >= 0; i--)
                if (!needs[i].IsCredit && items[i].Cash >= difference)
                {
                    items[i] = items[i] with { Cash = items[i].Cash - difference, WriteOff = difference };
                    return Of(cash, items, SettlementMatch.WithinAllowance, bounded);
                }
        }

        return Filled(cash, needs, unearned ? ShortPayAllowance.None : allowance, rounding) with
        {
            Bounded = bounded,
        };
    }

    /// <summary>
    /// Settles items one by one, oldest due first: each takes of the cash that is left what
    /// <see cref="ItemSettlement.Of"/> gives it. Credits give what the cash leaves missing, oldest first.
    /// </summary>
    /// <param name="cash">What was received, above zero.</param>
    public static ItemsSettlement Filled(
        Money cash,
        IReadOnlyList<ItemNeed> needs,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(needs);
        var (zero, left, items) = (Money.Zero(cash.Currency), cash, new ItemSettlement[needs.Count]);
        var missing = needs.Where(n => !n.IsCredit).Aggregate(-cash, (sum, n) => sum + n.Open);
        for (var i = 0; i < items.Length; i++)
            if (needs[i].IsCredit)
            {
                var used = Money.Max(zero, Money.Min(-needs[i].Open, missing));
                items[i] = Credit(needs[i], used);
                (left, missing) = (left + used, missing - used);
            }

        for (var i = 0; i < items.Length; i++)
            if (!needs[i].IsCredit)
            {
                items[i] = left.IsZero
                    ? ItemSettlement.None(needs[i].Open)
                    : ItemSettlement.Of(left, needs[i], allowance, rounding);
                left -= items[i].Cash;
            }

        return Of(cash, items, SettlementMatch.Filled, false);
    }

    /// <summary>Settles items whose needs match the cash exactly; null where they do not.</summary>
    internal static ItemsSettlement? Matched(
        Money cash,
        IReadOnlyList<ItemNeed> needs,
        RoundingRule rounding,
        out bool bounded
    )
    {
        bounded = false;
        foreach (var (open, discounts) in Views(needs))
        {
            var match = DiscountChoices.Of(open, discounts, cash.Minor, out var some);
            bounded |= some;
            if (match is null)
                continue;
            return Of(
                cash,
                [
                    .. needs.Select(
                        (n, i) =>
                            n.IsCredit ? Credit(n, -n.Open)
                            // Paid what is open today: which discount that earns goes by what was owed all the same.
                            : open[i] != n.Owed.Minor ? ItemSettlement.Of(n.Open, n, ShortPayAllowance.None, rounding)
                            : ItemSettlement.Whole(n, match.Discounted[i])
                    ),
                ],
                match.Ways == 1 ? SettlementMatch.Exact : SettlementMatch.OneOfSeveral,
                bounded
            );
        }

        return null;
    }

    /// <summary>
    /// What items need, in minor units: what is open today in full, or by value what was owed, or that less the discount in
    /// force. The two views differ only where something moved since the value date.
    /// </summary>
    internal static IEnumerable<(long[] Open, long[] Discounts)> Views(IReadOnlyList<ItemNeed> needs)
    {
        long[] Of(Func<ItemNeed, Money> amount) => [.. needs.Select(n => amount(n).Minor)];
        var owed = (Of(n => n.Owed), Of(n => n.Discount));
        if (needs.Any(n => n.Owed != n.Open))
            yield return (Of(n => n.Open), Of(n => n.Owed == n.Open ? n.Discount : Money.Zero(n.Open.Currency)));
        yield return owed;
    }

    private static ItemSettlement Credit(ItemNeed need, Money used)
    {
        var zero = Money.Zero(used.Currency);
        return new(-used, zero, zero, need.Open + used, zero, []);
    }

    /// <summary>
    /// What of the cash no item takes. What credits gave of it is theirs again first, that of the latest one before the others.
    /// </summary>
    internal static Money Over(Money cash, ItemSettlement[] items)
    {
        var zero = Money.Zero(cash.Currency);
        var over = items.Aggregate(cash, (sum, s) => sum - s.Cash);
        for (var i = items.Length - 1; i >= 0 && over > zero; i--)
            if (items[i].Cash < zero)
            {
                var back = Money.Min(over, -items[i].Cash);
                over -= back;
                items[i] = items[i] with { Cash = items[i].Cash + back, StaysOpen = items[i].StaysOpen - back };
            }

        return over;
    }

    private static ItemsSettlement Of(Money cash, ItemSettlement[] items, SettlementMatch match, bool bounded)
    {
        var zero = Money.Zero(cash.Currency);
        var over = Over(cash, items);
        for (var i = 0; i < items.Length; i++)
            if (!items[i].OnAccount.IsZero)
                items[i] = items[i] with
                {
                    OnAccount = zero,
                    Findings = [.. items[i].Findings.Where(f => f is not ReceiptFinding.Over)],
                };
        return new(items, over, match, bounded);
    }
}
