namespace KiteLine.Web;

internal sealed record MonthSalesShape(int? Days, string? Sales);
