namespace KiteLine.Core;

/// <summary>How one receipt settles the items chosen for it, oldest due first.</summary>
/// <param name="Cash">What the bank received.</param>
/// <param name="Charges">What the bank kept of what was paid; zero for nothing.</param>
/// <param name="Credits">Credits of the account that are used with it, oldest due first.</param>
/// <param name="OnAccount">What no item took; it stays on the account as a credit.</param>
public sealed record Payment(
    Money Cash,
    Money Charges,
    DateOnly ValueDate,
    IReadOnlyList<PaymentLine> Lines,
    IReadOnlyList<UsedCredit> Credits,
    Money OnAccount
)
{
    /// <summary>
    /// Works out a payment: the items are settled as <see cref="ItemsSettlement"/> says, and then each as was decided on it.
    /// A decision changes its own item alone, and what it frees stays on account; but items that match the payment exactly
    /// with the discounts that were granted are settled so.
    /// </summary>
    /// <param name="cash">What the bank received.</param>
    /// <param name="charges">What it kept of what was paid.</param>
    /// <param name="allowance">In the account's currency.</param>
    /// <param name="filled">Whether the items are those that were proposed as the oldest: they are filled one by one, also
    /// where naming them would match.</param>
    /// <exception cref="ArgumentException">The cash is not above zero, or an item is not open.</exception>
    public static Payment Of(
        Money cash,
        Money charges,
        DateOnly valueDate,
        IEnumerable<ChosenItem> chosen,
        ShortPayAllowance allowance,
        RoundingRule rounding,
        bool filled = false
    )
    {
        ArgumentNullException.ThrowIfNull(chosen);
        ArgumentNullException.ThrowIfNull(allowance);
        if (cash.Minor <= 0)
            throw new ArgumentException("A payment is above zero.", nameof(cash));
        var all = chosen.OrderBy(c => c.Item.Due).ThenBy(c => c.Item.Id).ToArray();
        if (Array.Exists(all, c => c.Item.Left.IsZero))
            throw new ArgumentException("An item with nothing open cannot be paid.", nameof(chosen));
        var paid = cash + charges;
        ItemNeed[] needs = [.. all.Select(c => c.Item.NeedOn(valueDate, rounding))];
        var settled = filled
            ? ItemsSettlement.Filled(paid, needs, allowance, rounding)
            : ItemsSettlement.Named(paid, needs, allowance, rounding);
        var decided = PaymentDecisions.On(paid, settled, needs, [.. all.Select(c => c.Choice)], allowance, rounding);
        var zero = Money.Zero(cash.Currency);
        return new(
            cash,
            charges,
            valueDate,
            [
                .. all.Select(
                        (c, i) =>
                            new PaymentLine(
                                c.Item,
                                needs[i].Open,
                                decided.Items[i],
                                needs[i].InForce,
                                decided.Granted[i]
                            )
                    )
                    .Where((_, i) => !needs[i].IsCredit),
            ],
            [
                .. all.Select((c, i) => new UsedCredit(c.Item, -decided.Items[i].Cash))
                    .Where((c, i) => needs[i].IsCredit && c.Amount > zero),
            ],
            decided.Items.Aggregate(paid, (sum, s) => sum - s.Cash)
        );
    }

    /// <summary>What the payer paid: what the bank received, and what it kept of it.</summary>
    public Money Paid => Cash + Charges;

    /// <summary>Sum of the discounts used.</summary>
    public Money Discount => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.Discount);

    /// <summary>Sum written off.</summary>
    public Money WriteOff => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.WriteOff);

    /// <summary>What of the payment itself was set against items.</summary>
    public Money Allocated => Paid - OnAccount;
}
