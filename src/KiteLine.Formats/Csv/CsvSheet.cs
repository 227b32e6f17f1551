using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads a CSV file with whatever columns it has.</summary>
public static class CsvSheet
{
    /// <summary>The whole table. Apostrophes that keep a text from running as a formula are taken off again.</summary>
    /// <exception cref="CsvException">The file cannot be read at all.</exception>
    public static SheetRows Read(byte[] content)
    {
        var path = Path.GetTempFileName();
        try
        {
            File.WriteAllBytes(path, content);
            using var table = CsvTable.OpenAll(path);
            var rows = new List<SheetRow>();
            foreach (var (line, values, problem) in table.Rows())
            {
                if (rows.Count == Bounds.SheetRows)
                    throw new CsvException($"A table has up to {Bounds.SheetRows:N0} rows; this one has more.");
                rows.Add(new(line, values?.Select(Plain).ToArray(), problem));
            }

            return new(table.Columns, rows);
        }
        finally
        {
            File.Delete(path);
        }
    }

    private static string Plain(string value) =>
        value.Length > 1 && value[0] == '\'' && CsvWriterFile.Escaped.Contains(value[1], StringComparison.Ordinal)
            ? value[1..]
            : value;
}
