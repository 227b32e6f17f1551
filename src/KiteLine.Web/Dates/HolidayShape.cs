namespace KiteLine.Web;

internal sealed record HolidayShape(string? Date, string? Name);
