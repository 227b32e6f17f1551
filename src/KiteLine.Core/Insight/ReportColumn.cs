namespace KiteLine.Core;

/// <summary>A column of a report.</summary>
/// <param name="Figure">Whether it stands at the right, as amounts and numbers do.</param>
/// <param name="Width">Its part of the paper's width, beside those of the others.</param>
public sealed record ReportColumn(string Name, bool Figure = false, float Width = 1);
