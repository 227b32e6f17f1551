namespace KiteLine.Core;

/// <summary>The discounts that an invoice's terms give to one of its items.</summary>
public static class ItemDiscounts
{
    /// <summary>
    /// The invoice's discounts, or this instalment's share of them in proportion to the instalments' amounts. No
    /// discount is larger than what the item opened with.
    /// </summary>
    /// <param name="instalment">Counted from 1.</param>
    /// <param name="opened">The amount the item opened with.</param>
    /// <param name="shared">Whether the invoice has further items.</param>
    public static IReadOnlyList<ItemDiscount> Of(
        Terms terms,
        InvoiceAmounts amounts,
        DateOnly date,
        int instalment,
        Money opened,
        bool shared,
        BusinessCalendar calendar,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(amounts);
        if (terms.Discounts.Count == 0 || amounts.Gross.Minor <= 0)
            return [];
        var schedule = PaymentSchedule.For(terms, amounts, date, calendar, rounding);
        return
        [
            .. schedule.Discounts.Select(d => new ItemDiscount(
                d.Deadline,
                terms.Conditions.GraceDays,
                Money.Min(opened, shared ? Part(d.Amount) : d.Amount)
            )),
        ];

        Money Part(Money whole) =>
            Shares.InProportion(whole, [.. schedule.Instalments.Select(i => i.Amount.Amount)], rounding)[
                Math.Min(instalment, schedule.Instalments.Count) - 1
            ];
    }
}
