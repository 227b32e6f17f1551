namespace KiteLine.Web;

internal sealed record CompensationShape(string? From, string? Amount);
