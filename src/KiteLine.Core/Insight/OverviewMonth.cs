namespace KiteLine.Core;

/// <summary>One month of an account, in its currency.</summary>
/// <param name="To">The last day of it that is looked at.</param>
/// <param name="Sales">Invoices less credit notes with tax, in the month in which the books first showed them.</param>
/// <param name="Exposure">As shown at its end.</param>
/// <param name="Limit">The limit in force at its end, uplifts included.</param>
/// <param name="Paid">Cash of the month by value that settled invoices.</param>
/// <param name="DaysToPay">From invoice to payment, weighted by that cash; null without any.</param>
/// <param name="DaysLate">From due date to payment, weighted likewise; negative is early.</param>
public sealed record OverviewMonth(
    DateOnly From,
    DateOnly To,
    MoneySum Sales,
    Money Exposure,
    Money Limit,
    MoneySum Paid,
    decimal? DaysToPay,
    decimal? DaysLate
);
