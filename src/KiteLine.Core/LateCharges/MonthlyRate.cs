namespace KiteLine.Core;

/// <summary>What the monthly method charges.</summary>
/// <param name="Percent">Of the overdue balance, for each month.</param>
public sealed record MonthlyRate(decimal Percent, MonthsCounted Months);
