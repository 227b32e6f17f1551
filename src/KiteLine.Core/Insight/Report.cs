namespace KiteLine.Core;

/// <summary>A table that is taken to a meeting, as a file or on paper.</summary>
/// <param name="Title">What it shows.</param>
/// <param name="About">Of which day, for whom, by what: a line each.</param>
/// <param name="Rows">One after the other as they come; those that add others up are strong.</param>
/// <param name="Notes">What must be known to read it; below it on paper, and not in a table's file.</param>
public sealed record Report(
    string Title,
    IReadOnlyList<string> About,
    IReadOnlyList<ReportColumn> Columns,
    IEnumerable<ReportRow> Rows,
    IReadOnlyList<string> Notes
)
{
    /// <summary>So many rows are printed; more are for a table's file.</summary>
    public const int MostPrinted = 5000;
}
