namespace KiteLine.Web;

internal sealed record CeilingShape(string? Rate, string? Source);
