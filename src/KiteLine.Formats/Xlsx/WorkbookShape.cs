using System.Globalization;
using System.IO.Compression;
using System.Xml;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>
/// Looks at a workbook before it is read: how much it unpacks to, and how far its sheets reach. One cell that stands
/// far out makes a reader fill everything between with empty ones.
/// </summary>
internal static class WorkbookShape
{
    private static readonly XmlReaderSettings Settings = XmlFile.Guarded(0);

    /// <exception cref="CsvException">It goes beyond <see cref="Bounds"/>.</exception>
    internal static void Check(byte[] content)
    {
        using var archive = new ZipArchive(new MemoryStream(content));
        var left = Bounds.UnpackedWorkbook;
        foreach (var entry in archive.Entries)
        {
            // What an entry says of its size need not be so.
            left -= Unpacked(entry, left);
            if (left < 0)
                throw new CsvException(
                    $"The workbook unpacks to more than {Bounds.UnpackedWorkbook / 1024 / 1024} MB."
                );
        }

        foreach (
            var sheet in archive.Entries.Where(e =>
                e.FullName.Contains("worksheets/", StringComparison.OrdinalIgnoreCase)
                && e.FullName.EndsWith(".xml", StringComparison.OrdinalIgnoreCase)
            )
        )
            CheckSheet(sheet);
    }

    private static long Unpacked(ZipArchiveEntry entry, long most)
    {
        using var stream = entry.Open();
        var buffer = new byte[81_920];
        long size = 0;
        int read;
        while (size <= most && (read = stream.Read(buffer)) > 0)
            size += read;
        return size;
    }

    private static void CheckSheet(ZipArchiveEntry sheet)
    {
        using var stream = sheet.Open();
        using var reader = XmlReader.Create(stream, Settings);
        var (rows, columns, cells) = (0L, 0L, 0L);
        while (reader.Read())
        {
            if (reader.Depth > Bounds.XmlDepth)
                throw new CsvException("Elements of the sheet stand within each other deeper than a sheet's do.");
            if (reader.NodeType != XmlNodeType.Element)
                continue;
            var reaches = reader.LocalName switch
            {
                "dimension" => reader.GetAttribute("ref")?.Split(':')[^1],
                "row" => reader.GetAttribute("r"),
                "c" => reader.GetAttribute("r"),
                _ => null,
            };
            cells += reader.LocalName == "c" ? 1 : 0;
            if (reaches is null)
                continue;
            var (column, row) = Place(reaches);
            (columns, rows) = (Math.Max(columns, column), Math.Max(rows, row));
            if (columns > Bounds.SheetColumns || rows > Bounds.SheetRows)
                throw new CsvException(
                    $"A sheet has up to {Bounds.SheetColumns} columns and {Bounds.SheetRows:N0} rows; this one reaches "
                        + $"to {reaches}. Delete what stands there and save it again."
                );
        }

        if (rows * columns > Bounds.SheetEmptyCells + Bounds.SheetCellsPerValue * cells)
            throw new CsvException(
                $"The sheet reaches over {rows:N0} rows and {columns} columns and is nearly empty; delete what stands "
                    + "far from the table and save it again."
            );
    }

    // B12 is column 2 of row 12; a bare number is a row.
    private static (long Column, long Row) Place(string reference)
    {
        long column = 0;
        var i = 0;
        for (; i < reference.Length && i < 8 && char.IsAsciiLetter(reference[i]); i++)
            column = column * 26 + (char.ToUpperInvariant(reference[i]) - 'A' + 1);
        return (
            column,
            long.TryParse(reference.AsSpan(i), NumberStyles.None, CultureInfo.InvariantCulture, out var row)
                ? row
                : long.MaxValue / 2
        );
    }
}
