using System.Globalization;
using CsvHelper;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Writes tables as CSV: UTF-8 with a byte-order mark, so that spreadsheet programs read names right.
/// </summary>
public static class CsvWriterFile
{
    /// <summary>
    /// Characters at the start of a text that spreadsheet programs take for the start of a formula; and the apostrophe,
    /// which is put before them, so that a text that begins with one comes back as it was.
    /// </summary>
    internal const string Escaped = "=@+-\t\r'";

    /// <summary>
    /// Writes a header and rows, one after the other as they come. Text that a spreadsheet would run as a formula is
    /// led by an apostrophe; a number is left as it is, also one that is given as a text.
    /// </summary>
    public static void Write(Stream stream, IReadOnlyList<string> header, IEnumerable<IReadOnlyList<object?>> rows)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(header);
        ArgumentNullException.ThrowIfNull(rows);
        var options = CsvWriterOptions.Default with
        {
            WriteByteOrderMark = true,
            // It does not know a negative number from a formula; see Text.
            Injection = CsvInjection.None,
        };
        using (var csv = CsvWriter.Create(stream, options, leaveOpen: true))
        {
            foreach (var name in header)
                csv.WriteField(Text(name));
            csv.EndRecord();
            foreach (var row in rows)
            {
                foreach (var value in row)
                    csv.WriteField(Text(value));
                csv.EndRecord();
            }
        }
    }

    private static string? Text(object? value)
    {
        var text = Convert.ToString(value, CultureInfo.InvariantCulture);
        return
            value is string
            && text!.Length > 0
            && Escaped.Contains(text[0], StringComparison.Ordinal)
            && !IsNumber(text)
            ? "'" + text
            : text;
    }

    private static bool IsNumber(string text) => text[0] == '-' && AmountText.TryRead(text, out _);
}
