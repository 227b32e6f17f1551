namespace KiteLine.Core;

/// <summary>The discounts that an invoice's terms give to one of its items.</summary>
public static class ItemDiscounts
{
    /// <summary>
    /// The invoice's discounts, or this instalment's share of them in proportion to the instalments' amounts. No
    /// discount is larger than what the item opened with. Where credit notes follow the terms, those whose value lies
    /// inside a step's window reduce it from that day on.
    /// </summary>
    /// <param name="instalment">Counted from 1.</param>
    /// <param name="opened">The amount the item opened with.</param>
    /// <param name="shared">Whether the invoice has further items.</param>
    /// <param name="credits">What credit notes of the invoice were set against it, gross, on which value dates.</param>
    public static IReadOnlyList<ItemDiscount> Of(
        Terms terms,
        InvoiceAmounts amounts,
        DateOnly date,
        int instalment,
        Money opened,
        bool shared,
        BusinessCalendar calendar,
        RoundingRule rounding,
        IReadOnlyList<(DateOnly ValueDate, Money Amount)>? credits = null
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(amounts);
        if (terms.Discounts.Count == 0 || amounts.Gross.Minor <= 0)
            return [];
        var discounts = Given(amounts);
        if (credits is not { Count: > 0 } || !terms.Conditions.CreditNotesFollow)
            return discounts;
        var reduced = discounts.Select(_ => new List<(DateOnly, Money)>()).ToArray();
        var credited = Money.Zero(amounts.Net.Currency);
        foreach (var day in credits.GroupBy(c => c.ValueDate).OrderBy(g => g.Key))
        {
            credited = day.Aggregate(credited, (sum, c) => sum + c.Amount);
            var left = Given(amounts with { Credited = Money.Min(credited, amounts.Gross) });
            for (var i = 0; i < discounts.Length; i++)
                if (day.Key <= discounts[i].LastDay)
                    reduced[i].Add((day.Key, left[i].Amount));
        }

        return [.. discounts.Select((d, i) => d with { Reduced = reduced[i] })];

        ItemDiscount[] Given(InvoiceAmounts of)
        {
            var schedule = PaymentSchedule.For(terms, of, date, calendar, rounding);
            return
            [
                .. schedule.Discounts.Select(d => new ItemDiscount(
                    d.Deadline,
                    terms.Conditions.GraceDays,
                    Money.Min(opened, shared ? Part(schedule, d.Amount) : d.Amount)
                )),
            ];
        }

        Money Part(PaymentSchedule schedule, Money whole) =>
            Shares.InProportion(whole, [.. schedule.Instalments.Select(i => i.Amount.Amount)], rounding)[
                Math.Min(instalment, schedule.Instalments.Count) - 1
            ];
    }
}
