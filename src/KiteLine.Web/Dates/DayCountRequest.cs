namespace KiteLine.Web;

internal sealed record DayCountRequest(string? Start, string? End, string? Convention);
