namespace KiteLine.Core;

/// <summary>The account that a receipt is for, as the receipt finds it.</summary>
/// <param name="Open">Its items; those of which nothing is left are passed over.</param>
/// <param name="Allowance">What holds for it, in its currency.</param>
/// <param name="Barred">Whether small differences are not written off on it, by decision neither.</param>
public sealed record ReceiptTarget(
    Currency Currency,
    IReadOnlyList<ItemDetail> Open,
    ShortPayAllowance Allowance,
    bool Barred = false
)
{
    /// <summary>What money that came in would settle.</summary>
    public AllocationProposal Propose(IncomingMoney money, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(money);
        return AllocationProposal.Of(
            money.Paid,
            money.Remittance,
            Items(money.ValueDate, rounding),
            Allowance,
            rounding
        );
    }

    /// <summary>Its open items as a receipt with value on a day finds them.</summary>
    public IReadOnlyList<AllocationItem> Items(DateOnly valueDate, RoundingRule rounding) =>
        [.. Open.Where(d => !d.Item.Left.IsZero).Select(d => AllocationItem.Of(d, valueDate, rounding))];
}
