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
    /// <summary>Reminders that stand and ask for more than their items, the latest first.</summary>
    public IReadOnlyList<AskedLetter> Letters { get; init; } = [];

    /// <summary>Its late-charge policy; null without any, or where no reminder asks for interest.</summary>
    public LateChargePolicy? Policy { get; init; }

    /// <summary>The tax code of its late charges; null for none.</summary>
    public TaxCode? ChargeTax { get; init; }

    /// <summary>What money that came in would settle.</summary>
    public AllocationProposal Propose(IncomingMoney money, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(money);
        return Propose(money.Paid, money.Remittance, money.ValueDate, rounding);
    }

    /// <summary>What an amount with a text would settle.</summary>
    public AllocationProposal Propose(Money paid, string text, DateOnly valueDate, RoundingRule rounding) =>
        AllocationProposal.Of(paid, text, Items(valueDate, rounding), Allowance, rounding, Letters);

    /// <summary>Its open items as a receipt with value on a day finds them.</summary>
    public IReadOnlyList<AllocationItem> Items(DateOnly valueDate, RoundingRule rounding) =>
        [.. Open.Where(d => !d.Item.Left.IsZero).Select(d => AllocationItem.Of(d, valueDate, rounding))];
}
