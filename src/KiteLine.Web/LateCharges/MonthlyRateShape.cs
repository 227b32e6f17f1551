namespace KiteLine.Web;

internal sealed record MonthlyRateShape(string? Percent, string? Months);
