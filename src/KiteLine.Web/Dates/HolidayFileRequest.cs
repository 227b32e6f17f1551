namespace KiteLine.Web;

internal sealed record HolidayFileRequest(string? Text, string? From, string? To);
