namespace KiteLine.Core;

/// <summary>A discount that a payment could still be given after it was posted.</summary>
/// <param name="Step">The step of the terms, its amount at most what may still be given.</param>
/// <param name="Earned">Whether <see cref="ItemSettlement"/> offers or gives it to this payment by value; else allowing it
/// takes authority.</param>
public sealed record MissedDiscount(ItemDiscount Step, bool Earned)
{
    /// <summary>
    /// The discounts that one allocation of cash did not take, or took a part of, the largest earned one first; none where
    /// the allocation is none of cash.
    /// </summary>
    /// <param name="item">The item that was settled, with all that was posted.</param>
    /// <param name="credit">The receipt that settled it: what is left of it on account came with the same payment.</param>
    public static IReadOnlyList<MissedDiscount> Of(Allocation allocation, Item item, Item credit, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(allocation);
        ArgumentNullException.ThrowIfNull(item);
        ArgumentNullException.ThrowIfNull(credit);
        if (allocation.Kind != MovementKind.Cash)
            return [];
        var paid = new PaidPart(allocation.ValueDate, allocation.Cash, allocation.Discount, allocation.WriteOff);
        return Of(paid, item, credit.Date < item.Date, -Money.Min(credit.Left, Money.Zero(item.Currency)), rounding);
    }

    /// <summary>The same for what came on one day.</summary>
    /// <param name="inAdvance">Whether the money came before the document, which earns nothing.</param>
    /// <param name="onAccount">What of the same payment is still on account.</param>
    internal static IReadOnlyList<MissedDiscount> Of(
        PaidPart paid,
        Item item,
        bool inAdvance,
        Money onAccount,
        RoundingRule rounding
    )
    {
        item = item.AsOn(paid.Day);
        if (paid.Cash.Minor <= 0 || item.Discounts.Count == 0 || item.Owed(DateOnly.MaxValue).Minor <= 0)
            return [];
        var need = paid.TakenOff(item).NeedOn(paid.Day, rounding);
        var settled = paid.Cash + paid.WriteOff;
        // Discount takes the place of what is open or was written off first, and of cash after that.
        var most = settled + item.Left;
        return
        [
            .. need
                .Discounts.Select(d => Missed(d))
                .Where(m => m.Step.Amount.Minor > 0 && (m.Earned || !EarnedByAnother(m.Step)))
                .OrderByDescending(m => m.Earned)
                .ThenByDescending(m => m.Step.Amount.Minor),
        ];

        MissedDiscount Missed(ItemDiscount step)
        {
            var all = settled + onAccount >= need.Owed - step.Amount;
            var could =
                all || !item.PartPayments
                    ? step.Amount
                    : ItemSettlement.Share(settled + onAccount, step.Amount, need.Owed, rounding);
            return new(
                step with
                {
                    Amount = Money.Min(could - paid.Discount, most),
                },
                !inAdvance && paid.Day <= step.LastDay && (all || item.PartPayments)
            );
        }

        // A discount that a later payment completed belongs to that one.
        bool EarnedByAnother(ItemDiscount step) =>
            !item.PartPayments
            && PaidPart
                .Of(item)
                .Any(p =>
                    p.Day > paid.Day
                    && p.Day <= step.LastDay
                    && p.Cash.Minor > 0
                    && p.Cash + p.WriteOff >= p.TakenOff(item).NeedOn(p.Day, rounding).Owed - step.Amount
                );
    }
}
