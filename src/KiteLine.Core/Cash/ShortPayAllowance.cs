namespace KiteLine.Core;

/// <summary>The small difference that may be written off when a customer pays slightly less than due. Both bounds hold.</summary>
/// <param name="Amount">The most that may be written off on one item, in major units.</param>
/// <param name="Percent">The most as a percentage of the item's open amount.</param>
public sealed record ShortPayAllowance(decimal Amount, decimal Percent)
{
    /// <summary>No difference is written off.</summary>
    public static ShortPayAllowance None { get; } = new(0, 0);

    /// <summary>Whether a difference, which may be zero, is small enough on an item with this open amount.</summary>
    public bool Allows(Money difference, Money open) =>
        difference.Minor >= 0 && difference.Amount <= Amount && difference.Amount <= open.Amount * Percent / 100;
}
