using System.Globalization;
using KiteLine.Core;
using SkiaSharp;

namespace KiteLine.Formats;

/// <summary>Prints reports as PDF on A4, with the columns' names on every page.</summary>
public static class ReportPdf
{
    private const float Gap = 6;

    /// <summary>The report.</summary>
    /// <param name="company">Whose it is.</param>
    public static byte[] Render(Report report, string company)
    {
        ArgumentNullException.ThrowIfNull(report);
        return Pdf.Of(report.Title, company, sheet => Print(sheet, report, company));
    }

    private static void Print(Sheet sheet, Report report, string company)
    {
        sheet.Begin();
        sheet.Text(company, 10, SheetFonts.Regular);
        sheet.Space(4);
        sheet.Text(report.Title, 15, SheetFonts.Semibold);
        foreach (var line in report.About)
            sheet.Text(line, 9.5f, SheetFonts.Regular);
        sheet.Space(10);
        var size = report.Columns.Count > 10 ? 6.5f : 8.5f;
        var (columns, widths) = Columns(report.Columns);
        Heading(sheet, report, columns, widths, size);
        var strong = true;
        foreach (var row in report.Rows)
        {
            if (sheet.Room(34))
                Heading(sheet, report, columns, widths, size);
            // What adds up stands below a line.
            if (row.Strong && !strong)
                sheet.Rule();
            strong = row.Strong;
            var face = row.Strong ? SheetFonts.Semibold : SheetFonts.Regular;
            sheet.Row(
                size,
                face,
                columns,
                [
                    .. row.Cells.Select(
                        (cell, i) => cell is string text ? sheet.InColumn(text, size, face, widths[i])[0] : Text(cell)
                    ),
                ]
            );
        }

        sheet.Space(8);
        foreach (var note in report.Notes)
            sheet.Text(note, 8.5f, SheetFonts.Regular);
        sheet.End();
    }

    private static (Sheet.Column[] Columns, float[] Widths) Columns(IReadOnlyList<ReportColumn> columns)
    {
        var (whole, at) = (columns.Sum(c => c.Width), Sheet.Left);
        var (places, widths) = (new Sheet.Column[columns.Count], new float[columns.Count]);
        for (var i = 0; i < places.Length; i++)
        {
            var width = (Sheet.Right - Sheet.Left) * columns[i].Width / whole;
            places[i] = columns[i].Figure ? new(at + width, Figure: true) : new(at);
            widths[i] = width - Gap;
            at += width;
        }

        return (places, widths);
    }

    private static void Heading(Sheet sheet, Report report, Sheet.Column[] columns, float[] widths, float size)
    {
        sheet.Row(
            size,
            SheetFonts.Semibold,
            columns,
            [.. report.Columns.Select((c, i) => sheet.InColumn(c.Name, size, SheetFonts.Semibold, widths[i])[0])]
        );
        sheet.Rule();
    }

    private static string Text(object? cell) =>
        cell switch
        {
            null => "",
            DateOnly day => Exactly.Day(day),
            decimal amount => amount.ToString(
                "N" + amount.Scale.ToString(CultureInfo.InvariantCulture),
                CultureInfo.InvariantCulture
            ),
            _ => Convert.ToString(cell, CultureInfo.InvariantCulture) ?? "",
        };
}
