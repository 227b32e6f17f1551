using MiniExcelLibs;

namespace KiteLine.Formats;

/// <summary>Writes tables as XLSX, numbers as numbers.</summary>
public static class XlsxFile
{
    public static byte[] Write(IReadOnlyList<string> header, IEnumerable<IReadOnlyList<object?>> rows, string sheet)
    {
        ArgumentNullException.ThrowIfNull(header);
        ArgumentNullException.ThrowIfNull(rows);
        using var stream = new MemoryStream();
        var records = rows.Select(row => header.Select((name, i) => (name, value: row[i])).ToDictionary(c => c.name, c => c.value));
        stream.SaveAs(records, sheetName: sheet);
        return stream.ToArray();
    }
}
