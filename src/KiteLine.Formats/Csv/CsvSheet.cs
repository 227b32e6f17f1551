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
            return new(
                table.Columns,
                [
                    .. table
                        .Rows()
                        .Select(row => new SheetRow(row.Line, row.Values?.Select(Plain).ToArray(), row.Problem)),
                ]
            );
        }
        finally
        {
            File.Delete(path);
        }
    }

    private static string Plain(string value) =>
        value.Length > 1 && value[0] == '\'' && CsvWriterFile.RunsAsFormula.Contains(value[1], StringComparison.Ordinal)
            ? value[1..]
            : value;
}
