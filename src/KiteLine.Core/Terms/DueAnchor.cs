namespace KiteLine.Core;

/// <summary>The day from which a due date or a discount deadline is reckoned. A closed set of three.</summary>
public abstract record DueAnchor
{
    private DueAnchor() { }

    /// <summary>The invoice date.</summary>
    public static DueAnchor InvoiceDate { get; } = new OfInvoice();

    /// <summary>The last day of the invoice's month.</summary>
    public static DueAnchor MonthEnd { get; } = new OfMonthEnd();

    /// <summary>
    /// A fixed day of the month after the invoice's. A day the month lacks is its last day, so 31 is always the end of
    /// that month. With a cut-off, an invoice dated after that day of its month is put off by one more month.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">A day outside 1 to 31.</exception>
    public static DueAnchor DayOfNextMonth(int day, int? cutOff = null)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(day, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(day, 31);
        if (cutOff is < 1 or > 31)
            throw new ArgumentOutOfRangeException(nameof(cutOff), cutOff, "A day of a month is 1 to 31.");
        return new OfNextMonth(day, cutOff);
    }

    /// <summary>The anchor's date for an invoice of this date.</summary>
    public abstract DateOnly For(DateOnly invoiceDate);

    /// <summary>Reckons from the invoice date.</summary>
    public sealed record OfInvoice : DueAnchor
    {
        /// <inheritdoc/>
        public override DateOnly For(DateOnly invoiceDate) => invoiceDate;
    }

    /// <summary>Reckons from the end of the invoice's month.</summary>
    public sealed record OfMonthEnd : DueAnchor
    {
        /// <inheritdoc/>
        public override DateOnly For(DateOnly invoiceDate) => DayIn(invoiceDate, 31);
    }

    /// <summary>Reckons from a fixed day of the following month.</summary>
    public sealed record OfNextMonth(int Day, int? CutOff) : DueAnchor
    {
        /// <inheritdoc/>
        public override DateOnly For(DateOnly invoiceDate) =>
            DayIn(
                new DateOnly(invoiceDate.Year, invoiceDate.Month, 1).AddMonths(invoiceDate.Day > CutOff ? 2 : 1),
                Day
            );
    }

    private static DateOnly DayIn(DateOnly month, int day) =>
        new(month.Year, month.Month, Math.Min(day, DateTime.DaysInMonth(month.Year, month.Month)));
}
