using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>Reports that go out as files.</summary>
internal static class Reports
{
    /// <param name="format">csv, xlsx or pdf.</param>
    /// <param name="name">Of the file, without its ending.</param>
    /// <exception cref="RefusedException">Another format is asked for, or more is to be printed than paper is for.</exception>
    internal static IResult File(string? format, Report report, string name, Desk desk)
    {
        if (format != "pdf")
            return format is "csv" or "xlsx"
                ? Tables.File(
                    format,
                    [.. report.Columns.Select(c => c.Name)],
                    report.Rows.Select(r => (IReadOnlyList<object?>)[.. r.Cells.Select(Cell)]),
                    report.Title,
                    name
                )
                : throw new RefusedException("format", "Choose csv, xlsx or pdf.");
        var rows = report.Rows.Take(Report.MostPrinted + 1).ToArray();
        if (rows.Length > Report.MostPrinted)
            throw new RefusedException(
                "format",
                $"More than {Report.MostPrinted:N0} rows are for CSV or XLSX; narrow it down to print it."
            );
        var company = desk.Snapshots.Current.Settings.Name;
        return FileAnswer.Of(
            file => file.Write(ReportPdf.Render(report with { Rows = rows }, company)),
            "application/pdf",
            name + ".pdf"
        );
    }

    private static object? Cell(object? cell) => cell is DateOnly day ? day.ToString("O") : cell;
}
