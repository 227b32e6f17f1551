namespace KiteLine.Web;

internal sealed record FeeBandShape(string? From, string? Amount);
