namespace KiteLine.Formats;

/// <summary>A table read whole: its columns as the header names them, and its rows.</summary>
public sealed record SheetRows(IReadOnlyList<string> Columns, IReadOnlyList<SheetRow> Rows);
