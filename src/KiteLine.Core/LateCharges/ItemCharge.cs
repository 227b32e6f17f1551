namespace KiteLine.Core;

/// <summary>The late charge accrued on one item and not yet raised.</summary>
/// <param name="Item">The item.</param>
/// <param name="Through">The last day charged.</param>
/// <param name="Interest">What has grown with time, rounded, within every minimum and maximum.</param>
/// <param name="Compensation">The fixed sum that is due once.</param>
/// <param name="Segments">The derivation of the interest.</param>
public sealed record ItemCharge(Item Item, DateOnly Through, Money Interest, Money Compensation, IReadOnlyList<ChargeSegment> Segments)
{
    /// <summary>What the item is charged.</summary>
    public Money Total => Interest + Compensation;
}
