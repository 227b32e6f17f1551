namespace KiteLine.Web;

internal sealed record LevelTextShape(string? Language, string? Subject, string? Opening, string? Closing);
