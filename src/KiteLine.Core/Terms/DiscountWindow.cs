namespace KiteLine.Core;

/// <summary>Which invoices have a discount that ends within some days.</summary>
public static class DiscountWindow
{
    /// <summary>
    /// How many days before its last day an invoice with a discount is looked for: more than any window in use.
    /// </summary>
    public const int Longest = 400;

    /// <summary>
    /// The invoice dates, of the <see cref="Longest"/> days up to the first of the days, of which a discount of the
    /// terms ends within the days, grace days included.
    /// </summary>
    /// <param name="calendar">Of the invoices.</param>
    public static IEnumerable<DateOnly> InvoiceDates(Terms terms, BusinessCalendar calendar, DateOnly from, DateOnly to)
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(calendar);
        if (terms.Discounts.Count == 0)
            yield break;
        for (var back = 0; back <= Longest && from.DayNumber >= back; back++)
        {
            var date = from.AddDays(-back);
            if (terms.Discounts.Any(step => Last(step, date) is var last && last >= from && last <= to))
                yield return date;
        }

        DateOnly Last(DiscountStep step, DateOnly date) =>
            calendar.Adjust(step.Deadline.For(date), terms.Conditions.BusinessDays).AddDays(terms.Conditions.GraceDays);
    }
}
