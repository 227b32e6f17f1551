using System.Runtime.InteropServices;

namespace KiteLine.Core;

/// <summary>The late charge accrued on one item and not yet raised.</summary>
/// <param name="Item">The item.</param>
/// <param name="Through">The last day charged.</param>
/// <param name="Total">The charge, rounded, with minimum and maximum applied.</param>
/// <param name="Segments">Its derivation.</param>
public sealed record ItemCharge(Item Item, DateOnly Through, Money Total, IReadOnlyList<ChargeSegment> Segments)
{
    /// <summary>
    /// What an invoice item has accrued from where it was last charged up to and including a day. Other kinds of item
    /// bear nothing: no charge is made on charges and fees.
    /// </summary>
    public static ItemCharge On(Item item, LateChargePolicy policy, DateOnly through, RoundingRule rounding = RoundingRule.HalfAwayFromZero)
    {
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(policy);
        if (item.Kind != ItemKind.Invoice) return new(item, through, Money.Zero(item.Currency), []);
        var changes = new List<BalanceChange>(item.Movements.Count);
        for (var i = 1; i < item.Movements.Count; i++) changes.Add(new(item.Movements[i].ValueDate, item.Movements[i].Amount.Amount));
        changes.Sort((a, b) => a.Date.CompareTo(b.Date));
        var segments = new List<ChargeSegment>();
        DailyMethod.Accrue(policy, item.Opened.Amount, CollectionsMarshal.AsSpan(changes), item.Due, item.ChargedThrough, through, segments);
        return new(item, through, DailyMethod.Total(policy, segments, item.Currency, rounding), segments);
    }
}
