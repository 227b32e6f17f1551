namespace KiteLine.Formats;

/// <summary>A row of a table with the line it stands on, or what is wrong with it.</summary>
public sealed record SheetRow(long Line, IReadOnlyList<string>? Values, string? Problem);
