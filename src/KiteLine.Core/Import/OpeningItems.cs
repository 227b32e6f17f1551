namespace KiteLine.Core;

/// <summary>The items that a document which was open before these books began makes.</summary>
public static class OpeningItems
{
    /// <summary>One item, or one for each instalment of the terms of which something is open.</summary>
    /// <param name="terms">Of an invoice; null for credits and receipts.</param>
    /// <returns>The instalment, how many the document has, the due date, and what is open in minor units: positive when
    /// the customer owes it.</returns>
    /// <exception cref="TermsException">The terms make no sense for the amount.</exception>
    public static IEnumerable<(int Instalment, int Of, DateOnly Due, long Open)> Of(
        OpenItemRow row,
        Terms? terms,
        Currency currency,
        BusinessCalendar calendar,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(calendar);
        if (row.Kind != ItemKind.Invoice)
            return [(1, 1, row.DueGiven ?? row.Date, -row.Open)];
        if (row.DueGiven is { } due)
            return [(1, 1, due, row.Open)];
        ArgumentNullException.ThrowIfNull(terms);
        if (terms.Instalments.Count == 1)
            return
            [
                (
                    1,
                    1,
                    calendar.Adjust(terms.Instalments[0].Due.For(row.Date), terms.Conditions.BusinessDays),
                    row.Open
                ),
            ];
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        var schedule = PaymentSchedule.For(
            terms,
            new(Amount(row.Net), Amount(row.Tax), Amount(0)),
            row.Date,
            calendar,
            rounding
        );
        return OpenInstalments
            .Of(schedule, Amount(row.Open))
            .Select(i => (i.Instalment, schedule.Instalments.Count, i.Due, i.Open.Minor));
    }
}
