namespace KiteLine.Core;

/// <summary>
/// What helps to fill in a payment, in both directions: the items that an amount would settle, and the amount that chosen items
/// need.
/// </summary>
/// <param name="Allocation">Null where no amount was given.</param>
/// <param name="Named">Items that the payer's text names, with where it does.</param>
/// <param name="Need">What the chosen items need on the value date, each less its discount in force.</param>
public sealed record PaymentProposal(
    AllocationProposal? Allocation,
    IReadOnlyList<(long Item, NamedDocument At)> Named,
    Money Need
)
{
    /// <summary>Proposes. Credits are left to stand: they are set off as a posting of their own.</summary>
    /// <param name="cash">What was received, above zero; null where it is not known yet.</param>
    /// <param name="open">The account's open items.</param>
    /// <param name="chosen">Items that were chosen; those that are no open debits are passed over.</param>
    /// <param name="allowance">The company's, in its base currency.</param>
    public static PaymentProposal Of(
        Money? cash,
        DateOnly valueDate,
        string text,
        Currency account,
        IReadOnlyList<ItemDetail> open,
        IReadOnlyCollection<long> chosen,
        ShortPayAllowance allowance,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(open);
        ArgumentNullException.ThrowIfNull(chosen);
        ArgumentNullException.ThrowIfNull(allowance);
        ArgumentNullException.ThrowIfNull(rules);
        var debits = open.Where(d => d.Item.Left.Minor > 0).ToArray();
        var items = Array.ConvertAll(debits, d => AllocationItem.Of(d, rules.Rounding));
        var wanted = chosen.ToHashSet();
        return new(
            cash is { } received
                ? AllocationProposal.Of(
                    received,
                    valueDate,
                    text,
                    items,
                    allowance.In(account, valueDate, rules.Rates),
                    rules.Rounding
                )
                : null,
            [
                .. NamedDocuments
                    .In(text, Array.ConvertAll(items, i => i.Document))
                    .Select(n => (debits[n.Item].Item.Id, n)),
            ],
            items
                .Where((_, i) => wanted.Contains(debits[i].Item.Id))
                .Aggregate(Money.Zero(account), (sum, i) => sum + i.Open - i.InForce(valueDate))
        );
    }
}
