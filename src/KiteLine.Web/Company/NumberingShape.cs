namespace KiteLine.Web;

/// <summary>How a series is numbered, and the number it gives next.</summary>
internal sealed record NumberingShape(string? Prefix, int? Digits, long? Next);
