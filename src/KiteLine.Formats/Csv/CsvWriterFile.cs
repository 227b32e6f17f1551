using System.Globalization;
using CsvHelper;

namespace KiteLine.Formats;

/// <summary>
/// Writes tables as CSV: UTF-8 with a byte-order mark, so that spreadsheet programs read names right.
/// </summary>
public static class CsvWriterFile
{
    /// <summary>Characters at the start of a text that spreadsheet programs take for the start of a formula.</summary>
    internal const string RunsAsFormula = "=@+\t\r";

    /// <summary>
    /// Writes a header and rows, one after the other as they come. Text that a spreadsheet would run as a formula is
    /// led by an apostrophe.
    /// </summary>
    public static void Write(Stream stream, IReadOnlyList<string> header, IEnumerable<IReadOnlyList<object?>> rows)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(header);
        ArgumentNullException.ThrowIfNull(rows);
        var options = CsvWriterOptions.Default with
        {
            WriteByteOrderMark = true,
            Injection = CsvInjection.Escape,
            InjectionCharacters = RunsAsFormula,
        };
        using (var csv = CsvWriter.Create(stream, options, leaveOpen: true))
        {
            foreach (var name in header)
                csv.WriteField(name);
            csv.EndRecord();
            foreach (var row in rows)
            {
                foreach (var value in row)
                    csv.WriteField(Convert.ToString(value, CultureInfo.InvariantCulture));
                csv.EndRecord();
            }
        }
    }
}
