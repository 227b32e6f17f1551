namespace KiteLine.Core;

/// <summary>A discount that a payment could still be given after it was posted.</summary>
/// <param name="Step">The step of the terms, its amount at most what may still be given.</param>
/// <param name="Earned">Whether by its last day no more than the discount itself was open by value; else allowing it takes
/// authority.</param>
public sealed record MissedDiscount(ItemDiscount Step, bool Earned)
{
    /// <summary>
    /// The discounts that one allocation of cash did not take, the largest earned one first; none where the item had
    /// one already, or the allocation is none of cash.
    /// </summary>
    /// <param name="item">The item that was settled, with all that was posted.</param>
    public static IReadOnlyList<MissedDiscount> Of(Allocation allocation, Item item, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(allocation);
        ArgumentNullException.ThrowIfNull(item);
        if (allocation.Kind != MovementKind.Cash || allocation.Cash.IsZero || !allocation.Discount.IsZero)
            return [];
        var given = item.Movements.Where(m => m.Kind == MovementKind.Discount).Sum(m => m.Amount.Minor);
        if (given != 0 && !item.PartPayments)
            return [];
        var owed = item.Credits.Aggregate(item.Opened, (sum, c) => sum - c.Amount);
        if (owed.Minor <= 0)
            return [];
        var most = allocation.Cash + item.Left;
        return
        [
            .. item
                .Discounts.Select(d => d.On(DateOnly.MaxValue))
                .Select(d =>
                    item.PartPayments
                        ? d with
                        {
                            Amount = Money.Round(
                                d.Amount.Amount * allocation.Cash.Amount / owed.Amount,
                                owed.Currency,
                                rounding
                            ),
                        }
                        : d
                )
                .Where(d => d.Amount.Minor > 0)
                .Select(d => new MissedDiscount(
                    d with
                    {
                        Amount = Money.Min(d.Amount, most),
                    },
                    allocation.ValueDate <= d.LastDay && (item.PartPayments || item.OpenByValue(d.LastDay) <= d.Amount)
                ))
                .OrderByDescending(m => m.Earned)
                .ThenByDescending(m => m.Step.Amount.Minor),
        ];
    }
}
