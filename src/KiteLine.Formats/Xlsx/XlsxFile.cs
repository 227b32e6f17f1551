using System.Globalization;
using MiniExcelLibs;

namespace KiteLine.Formats;

/// <summary>Writes tables as XLSX, numbers as numbers.</summary>
public static class XlsxFile
{
    /// <summary>Writes a header and rows, one after the other as they come.</summary>
    public static void Write(
        Stream stream,
        IReadOnlyList<string> header,
        IEnumerable<IReadOnlyList<object?>> rows,
        string sheet
    )
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(header);
        ArgumentNullException.ThrowIfNull(rows);
        var records = rows.Select(row =>
            header.Select((name, i) => (name, value: row[i])).ToDictionary(c => c.name, c => c.value)
        );
        stream.SaveAs(records, sheetName: sheet);
    }

    /// <summary>
    /// The first sheet with whatever columns its first row names, every cell as text; dates as year-month-day.
    /// </summary>
    /// <exception cref="CsvException">The file cannot be read as XLSX.</exception>
    public static SheetRows Read(byte[] content)
    {
        try
        {
            WorkbookShape.Check(content);
            using var stream = new MemoryStream(content);
            var lines = stream
                .Query(useHeaderRow: false)
                .Select(row => ((IDictionary<string, object?>)row).Values.Select(Text).ToArray())
                .ToList();
            if (lines.Count == 0 || lines[0].All(c => c.Length == 0))
                throw new CsvException("The sheet is empty; it needs a header row and at least one row below it.");
            var width = Array.FindLastIndex(lines[0], c => c.Length > 0) + 1;
            SheetShape.Check(lines[0][..width]);
            return new(
                lines[0][..width],
                [
                    .. lines
                        .Skip(1)
                        .Select((values, i) => new SheetRow(i + 2, Fit(values, width), null))
                        .Where(r => r.Values!.Any(v => v.Length > 0)),
                ]
            );
        }
        catch (Exception e) when (e is not CsvException)
        {
            throw new CsvException($"The file cannot be read as XLSX: {e.Message}");
        }
    }

    private static string[] Fit(string[] values, int width) =>
        [.. values.Take(width), .. Enumerable.Repeat("", Math.Max(0, width - values.Length))];

    private static string Text(object? cell) =>
        cell switch
        {
            null => "",
            DateTime day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            // A number beyond a decimal is left as it is written, for the field to refuse.
            double number => Math.Abs(number) < 1e28
                ? ((decimal)number).ToString(CultureInfo.InvariantCulture)
                : number.ToString("R", CultureInfo.InvariantCulture),
            bool yes => yes ? "true" : "false",
            _ => SheetShape.Cell(Convert.ToString(cell, CultureInfo.InvariantCulture)!.Trim()),
        };
}
