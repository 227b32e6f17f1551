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
    /// <param name="credits">What credit notes of the invoice were set against its items. What an instalment has no more is
    /// offered by the others.</param>
    public static IReadOnlyList<ItemDiscount> Of(
        Terms terms,
        InvoiceAmounts amounts,
        DateOnly date,
        int instalment,
        Money opened,
        bool shared,
        BusinessCalendar calendar,
        RoundingRule rounding,
        IReadOnlyList<InvoiceCredit>? credits = null
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(amounts);
        if (terms.Discounts.Count == 0 || amounts.Gross.Minor <= 0)
            return [];
        var discounts = Given(amounts, []);
        if (credits is not { Count: > 0 } || !terms.Conditions.CreditNotesFollow)
            return discounts;
        var reduced = discounts.Select(_ => new List<(DateOnly, Money)>()).ToArray();
        foreach (var day in credits.Select(c => c.ValueDate).Distinct().Order())
        {
            InvoiceCredit[] known = [.. credits.Where(c => c.ValueDate <= day)];
            var credited = known.Aggregate(Money.Zero(amounts.Net.Currency), (sum, c) => sum + c.Amount);
            var left = Given(
                amounts with
                {
                    Credited = Money.Min(credited, amounts.Gross),
                    CreditedNet = Money.Round(known.Sum(c => c.Net), amounts.Net.Currency, rounding),
                },
                known
            );
            for (var i = 0; i < discounts.Length; i++)
                if (day <= discounts[i].LastDay)
                    reduced[i].Add((day, left[i].Amount));
        }

        return [.. discounts.Select((d, i) => d with { Reduced = reduced[i] })];

        ItemDiscount[] Given(InvoiceAmounts of, InvoiceCredit[] known)
        {
            var schedule = PaymentSchedule.For(terms, of, date, calendar, rounding);
            return
            [
                .. schedule.Discounts.Select(d => new ItemDiscount(
                    d.Deadline,
                    terms.Conditions.GraceDays,
                    Money.Min(opened, shared ? Part(schedule, known, d.Amount) : d.Amount)
                )),
            ];
        }

        // In proportion to what each instalment still owes of the invoice.
        Money Part(PaymentSchedule schedule, InvoiceCredit[] known, Money whole)
        {
            decimal[] owed =
            [
                .. schedule.Instalments.Select(
                    (line, i) =>
                        Math.Max(
                            0,
                            line.Amount.Amount - known.Where(c => c.Instalment == i + 1).Sum(c => c.Amount.Amount)
                        )
                ),
            ];
            return owed.Sum() <= 0
                ? Money.Zero(whole.Currency)
                : Shares.InProportion(whole, owed, rounding)[Math.Min(instalment, owed.Length) - 1];
        }
    }
}
