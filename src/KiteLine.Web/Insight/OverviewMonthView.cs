using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>One month of an account.</summary>
/// <param name="Sales">In the month in which the books first showed them.</param>
/// <param name="Exposure">As shown at its end.</param>
/// <param name="Limit">In force at its end.</param>
/// <param name="Paid">By value.</param>
internal sealed record OverviewMonthView(
    DateOnly From,
    DateOnly To,
    MoneySum Sales,
    Money Exposure,
    Money Limit,
    MoneySum Paid,
    string? DaysToPay,
    string? DaysLate
);
