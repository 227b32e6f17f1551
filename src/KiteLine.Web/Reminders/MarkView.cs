namespace KiteLine.Web;

/// <summary>A mark on the life strip: a reminder sent, or one to come.</summary>
internal sealed record MarkView(int Level, DateOnly Date, bool Sent, string? Number);
