namespace KiteLine.Core;

/// <summary>
/// How one thing that happens to an order leads from one step to the next. Amounts are minor units with tax.
/// </summary>
public static class OrderStepRule
{
    /// <summary>The first step: approved whole, or held whole.</summary>
    public static OrderStep Entered(DateOnly on, long total, bool approved) => new(on, total, approved ? total : 0, 0);

    /// <summary>
    /// Releases what is held, or a part of it, beside what is approved already; until a day, which then holds for all
    /// that is not invoiced, or without end.
    /// </summary>
    /// <param name="amount">What of the held part may now be supplied; all of it when null.</param>
    /// <exception cref="RefusedException">Nothing is left, or the amount is more than is held.</exception>
    public static OrderStep Released(OrderStep before, DateOnly on, long? amount, DateOnly? until)
    {
        ArgumentNullException.ThrowIfNull(before);
        RefuseOver(before);
        var left = before.Total - before.Invoiced;
        if (left <= 0)
            throw new RefusedException("amount", "All of this order is invoiced already.");
        if (amount is <= 0)
            throw new RefusedException("amount", "Release an amount above zero.");
        if (amount > before.Held(on))
            throw new RefusedException("amount", "Release at most what is held of the order.");
        if (until < on)
            throw new RefusedException("until", "The release holds until today or a later day.");
        return before with
        {
            On = on,
            Approved = before.Invoiced + (amount is { } part ? before.NotInvoiced(on) + part : left),
            Until = until,
        };
    }

    /// <summary>Not supplied, or nothing more of it.</summary>
    public static OrderStep Ended(OrderStep before, DateOnly on)
    {
        ArgumentNullException.ThrowIfNull(before);
        RefuseOver(before);
        return before with { On = on, Approved = before.Invoiced, Until = null, Over = true };
    }

    /// <summary>
    /// A new total. What was approved stays approved as far as the order still reaches; growth is approved only when
    /// its check lets it go, else the growth is held.
    /// </summary>
    /// <exception cref="RefusedException">The total is less than was invoiced.</exception>
    public static OrderStep Changed(OrderStep before, DateOnly on, long total, bool growthApproved)
    {
        ArgumentNullException.ThrowIfNull(before);
        RefuseOver(before);
        if (total < before.Invoiced)
            throw new RefusedException("total", "More than that was invoiced of this order already.");
        var kept = Math.Max(Math.Min(before.Invoiced + before.NotInvoiced(on), total), before.Invoiced);
        return before with
        {
            On = on,
            Total = total,
            Approved = growthApproved ? total : kept,
            Until = growthApproved && total > before.Total ? null : before.Until,
            Over = total == before.Invoiced && total > 0,
        };
    }

    /// <summary>
    /// An invoice of a part, or of the rest. An invoice beyond the total ends the order and leaves it with what was
    /// invoiced.
    /// </summary>
    /// <exception cref="RefusedException">More is invoiced than is approved.</exception>
    public static OrderStep Invoiced(OrderStep before, DateOnly on, long amount)
    {
        ArgumentNullException.ThrowIfNull(before);
        RefuseOver(before);
        if (amount > before.NotInvoiced(on))
            throw new RefusedException("order", "More is invoiced than is approved of this order; release it first.");
        var invoiced = before.Invoiced + amount;
        return before with { On = on, Invoiced = invoiced, Over = invoiced >= before.Total };
    }

    /// <summary>
    /// An invoice made of the order was taken back: what it had taken is approved and not invoiced again.
    /// </summary>
    public static OrderStep InvoiceReversed(OrderStep before, DateOnly on, long amount)
    {
        ArgumentNullException.ThrowIfNull(before);
        return before with
        {
            On = on,
            Invoiced = before.Invoiced - amount,
            Over = before.Over && before.Invoiced < before.Total,
        };
    }

    private static void RefuseOver(OrderStep before)
    {
        if (before.Over)
            throw new RefusedException("order", "This order is over: it was declined, closed or invoiced whole.");
    }
}
