namespace KiteLine.Core;

/// <summary>A row of a report.</summary>
/// <param name="Cells">A text, an amount with all its decimals, a whole number or a day for each column; null for
/// none.</param>
/// <param name="Strong">Whether it adds others up.</param>
public sealed record ReportRow(IReadOnlyList<object?> Cells, bool Strong = false);
