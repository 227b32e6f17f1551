namespace KiteLine.Web;

internal sealed record HolidayShape([property: TextOf(typeof(DateOnly))] string? Date, string? Name);
