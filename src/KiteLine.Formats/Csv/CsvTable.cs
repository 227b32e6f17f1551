using CsvHelper;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Reads a CSV file with a header row: comma or semicolon, columns in any order, UTF-8 with or without a byte-order
/// mark, fields in quotes where needed. Columns that are not asked for are passed over.
/// </summary>
public sealed class CsvTable : IDisposable
{
    private readonly CsvReader _reader;
    private readonly int[] _at;
    private readonly int _width;
    private readonly Quoting _quoting;

    private CsvTable(CsvReader reader, int[] at, int width, Quoting quoting, string[] columns) =>
        (_reader, _at, _width, _quoting, Columns) = (reader, at, width, quoting, columns);

    /// <summary>The columns that are read, in the order in which rows give them.</summary>
    public IReadOnlyList<string> Columns { get; }

    /// <summary>Remembers that the record just read breaks the rules of quoting.</summary>
    private sealed class Quoting
    {
        internal bool Broken { get; set; }
    }

    /// <summary>Bytes of the file read so far, for progress.</summary>
    public long Position => _reader.ByteOffset;

    /// <summary>Opens a file and reads its header.</summary>
    /// <param name="columns">The columns to read, in the order in which rows will give them.</param>
    /// <param name="required">Those that must be there.</param>
    /// <exception cref="CsvException">The file is empty, or its header lacks or repeats a column.</exception>
    public static CsvTable Open(string path, IReadOnlyList<string> columns, IReadOnlyList<string> required)
    {
        ArgumentNullException.ThrowIfNull(columns);
        ArgumentNullException.ThrowIfNull(required);
        return Open(
            path,
            (header, reader, quoting) =>
            {
                var names = header.Select(h => h.ToLowerInvariant()).ToArray();
                var twice = names.GroupBy(n => n).FirstOrDefault(g => g.Count() > 1 && columns.Contains(g.Key));
                if (twice is not null)
                    throw new CsvException($"The header names the column ‘{twice.Key}’ twice.");
                var missing = required.Where(r => !names.Contains(r)).ToArray();
                if (missing.Length > 0)
                    throw new CsvException(
                        $"The header lacks the column ‘{string.Join("’, ‘", missing)}’. Known columns: "
                            + $"{string.Join(", ", columns)}."
                    );
                return new(
                    reader,
                    [.. columns.Select(c => Array.IndexOf(names, c))],
                    names.Length,
                    quoting,
                    [.. columns]
                );
            }
        );
    }

    /// <summary>Opens a file to read every column it has, under the names its header gives them.</summary>
    /// <exception cref="CsvException">The file is empty, or its header repeats a column.</exception>
    public static CsvTable OpenAll(string path) =>
        Open(
            path,
            (header, reader, quoting) =>
                header.GroupBy(n => n).FirstOrDefault(g => g.Count() > 1) is { } twice
                    ? throw new CsvException($"The header names the column ‘{twice.Key}’ twice.")
                    : new(reader, [.. Enumerable.Range(0, header.Length)], header.Length, quoting, header)
        );

    private static CsvTable Open(string path, Func<string[], CsvReader, Quoting, CsvTable> make)
    {
        var quoting = new Quoting();
        var reader = CsvReader.FromFile(
            path,
            CsvReaderOptions.Default with
            {
                Separator = Separator(path),
                TrimWhitespace = true,
                TrackLineNumbers = true,
                PoolStrings = true,
                BufferSize = 1 << 18,
                OnMalformedRecord = _ => quoting.Broken = true,
                // A quote that is never closed must not swallow the file.
                MaxRecordSize = 1 << 20,
            }
        );
        try
        {
            reader.ReadHeader();
            var header = reader.Headers.ToArray().Select(h => h.Trim()).ToArray();
            if (header.All(n => n.Length == 0))
                throw new CsvException("The file is empty; it needs a header row and at least one row below it.");
            SheetShape.Check(header);
            return make(header, reader, quoting);
        }
        catch (CsvFormatException e)
        {
            reader.Dispose();
            throw new CsvException($"The header cannot be read: {e.Message} Close every quote.");
        }
        catch
        {
            reader.Dispose();
            throw;
        }
    }

    /// <summary>
    /// The rows with the line of the file each starts on. A row whose number of fields differs from the header's, or
    /// that is not UTF-8, is given with null values and what is wrong.
    /// </summary>
    public IEnumerable<(long Line, string[]? Values, string? Problem)> Rows()
    {
        while (Read(out var broken))
        {
            var line = _reader.LineNumber;
            if (broken is not null)
            {
                yield return (line, null, broken);
                yield break;
            }

            if (_quoting.Broken)
            {
                _quoting.Broken = false;
                yield return (
                    line,
                    null,
                    "A quote stands where none can be or is never closed; put the text in quotes and double each quote inside it."
                );
                continue;
            }

            if (_reader.FieldCount != _width)
            {
                yield return (
                    line,
                    null,
                    $"The row has {_reader.FieldCount} fields, the header has {_width}; put text with the separator "
                        + $"in it in quotes, and close every quote."
                );
                continue;
            }

            var values = new string[_at.Length];
            var unreadable = false;
            for (var i = 0; i < values.Length; i++)
            {
                values[i] = _at[i] < 0 ? "" : _reader.GetString(_at[i]);
                unreadable |= values[i].Contains('\uFFFD', StringComparison.Ordinal);
            }

            yield return unreadable
                ? (line, null, "The row is not UTF-8; save the file as UTF-8 and import it again.")
                : (line, values, null);
        }
    }

    /// <inheritdoc/>
    public void Dispose() => _reader.Dispose();

    private bool Read(out string? broken)
    {
        broken = null;
        try
        {
            return _reader.Read();
        }
        catch (CsvFormatException e)
        {
            broken = $"The file cannot be read further: {e.Message} Close every quote.";
            return true;
        }
    }

    // The one that stands more often in the first line, or in as much of it as a header has.
    private static char Separator(string path)
    {
        using var text = new StreamReader(path);
        var (commas, semicolons) = (0, 0);
        for (var i = 0; i < Bounds.SheetHeader && text.Read() is var c and >= 0 and not '\n'; i++)
        {
            commas += c == ',' ? 1 : 0;
            semicolons += c == ';' ? 1 : 0;
        }

        return semicolons > commas ? ';' : ',';
    }
}
