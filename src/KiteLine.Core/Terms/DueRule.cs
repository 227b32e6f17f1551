namespace KiteLine.Core;

/// <summary>How a date is reckoned from an invoice date: anchor, plus months, plus days.</summary>
/// <param name="Anchor">Where reckoning starts.</param>
/// <param name="Months">Whole months added to the anchor; a day the month lacks becomes its last day.</param>
/// <param name="Days">Calendar days added after the months.</param>
public sealed record DueRule(DueAnchor Anchor, int Months, int Days)
{
    /// <summary>A number of days after the invoice date.</summary>
    public static DueRule AfterInvoice(int days) => new(DueAnchor.InvoiceDate, 0, days);

    /// <summary>The date for an invoice of this date, before any business-day adjustment.</summary>
    /// <remarks>31 January plus one month is 28 or 29 February.</remarks>
    public DateOnly For(DateOnly invoiceDate) => Anchor.For(invoiceDate).AddMonths(Months).AddDays(Days);

    /// <summary>The reckoning in words and numbers, for workings.</summary>
    public string Explain(DateOnly invoiceDate)
    {
        var anchor = Anchor switch
        {
            DueAnchor.OfInvoice => $"invoice date {Exactly.Day(invoiceDate)}",
            DueAnchor.OfMonthEnd => $"month end {Exactly.Day(Anchor.For(invoiceDate))}",
            DueAnchor.OfNextMonth next =>
                $"day {next.Day} of the following month, {Exactly.Day(Anchor.For(invoiceDate))}",
            _ => throw new InvalidOperationException("An anchor outside the closed set."),
        };
        return anchor + (Months == 0 ? "" : $" + {Months} months") + (Days == 0 ? "" : $" + {Days} days");
    }
}
