namespace KiteLine.Core;

/// <summary>The late charge accrued on one item and not yet raised.</summary>
/// <param name="Item">The item.</param>
/// <param name="Through">The last day charged.</param>
/// <param name="Interest">What has grown with time since the item was last charged, rounded, within every minimum and
/// maximum.</param>
/// <param name="Compensation">The fixed sum that is due once.</param>
/// <param name="Correction">
/// What earlier charges would have been less what they were, where something moved the balance of their days after they
/// were raised; negative where too much was charged.
/// </param>
/// <param name="Segments">The derivation of the interest.</param>
/// <param name="Carried">What the rounding of earlier charges left over, in major units: the sum of all charges is
/// rounded once.</param>
/// <param name="CutOff">Whether a maximum cut the interest; what it cut off is not charged later, so the days count as
/// charged.</param>
/// <param name="Most">What the controller cut it to; null where it was not cut.</param>
public sealed record ItemCharge(
    Item Item,
    DateOnly Through,
    Money Interest,
    Money Compensation,
    Money Correction,
    IReadOnlyList<ChargeSegment> Segments,
    decimal Carried = 0,
    bool CutOff = false,
    Money? Most = null
)
{
    /// <summary>
    /// The last day that counts as charged once this is raised: a charge through an earlier day corrects, and never
    /// uncovers days that were charged.
    /// </summary>
    /// <param name="known">Charges dated up to this day count as raised.</param>
    public DateOnly CoveredThrough(DateOnly known) =>
        Item.ChargedThrough(known) is { } former && former > Through ? former : Through;

    /// <summary>
    /// The same, cut to an amount at most: what is cut off is not charged later either. Corrections of earlier charges
    /// stay as they are.
    /// </summary>
    public ItemCharge CutTo(Money most)
    {
        if (Interest + Compensation <= most)
            return this;
        var compensation = Money.Min(Compensation, most);
        return this with { Compensation = compensation, Interest = most - compensation, CutOff = true, Most = most };
    }

    /// <summary>What the item is charged, without tax.</summary>
    public Money Total => Interest + Compensation + Correction;

    /// <summary>
    /// Whether a charge document has a line for it: it bears an amount, or its days count as charged.
    /// </summary>
    public bool HasLine => !Total.IsZero || !Correction.IsZero || CutOff;
}
