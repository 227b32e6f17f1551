namespace KiteLine.Web;

internal sealed record AllowanceShape(string? Amount, string? Percent);
