namespace KiteLine.Core;

/// <summary>
/// What helps to fill in a payment, in both directions: the items that an amount would settle, and the amount that
/// chosen items need.
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
    /// <summary>Proposes. Credits are used where the text names them, or where the sum ties only with them.</summary>
    /// <param name="cash">What was received, above zero; null where it is not known yet.</param>
    /// <param name="chosen">Items that were chosen; those that are not open are passed over.</param>
    public static PaymentProposal Of(
        Money? cash,
        DateOnly valueDate,
        string text,
        ReceiptTarget account,
        IReadOnlyCollection<long> chosen,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(chosen);
        var items = account.Items(valueDate, rounding);
        var wanted = chosen.ToHashSet();
        var zero = Money.Zero(account.Currency);
        return new(
            cash is { } received ? account.Propose(received, text, valueDate, rounding) : null,
            [.. NamedItems.In(text, items).Select(n => (n.Item.ItemId, n.Named))],
            Money.Max(zero, items.Where(i => wanted.Contains(i.ItemId)).Aggregate(zero, (sum, i) => sum + i.Need.ToPay))
        );
    }
}
