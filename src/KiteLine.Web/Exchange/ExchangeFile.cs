using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Unicode;
using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>Records as files: CSV and XLSX with one row a record, or JSON.</summary>
internal static class ExchangeFile
{
    internal static IResult Write(string format, IEnumerable<JsonNode> records, string name) =>
        format switch
        {
            "json" => FileAnswer.Of(
                file => JsonSerializer.Serialize(file, records, ExchangeJson.Options),
                "application/json",
                name + ".json"
            ),
            "csv" => FileAnswer.Of(
                file => Table(records, (columns, rows) => CsvWriterFile.Write(file, columns, rows)),
                FileAnswer.Csv,
                name + ".csv"
            ),
            "xlsx" => FileAnswer.Of(
                file => Table(records, (columns, rows) => XlsxFile.Write(file, columns, rows, name)),
                FileAnswer.Xlsx,
                name + ".xlsx"
            ),
            _ => throw Unknown(),
        };

    private static void Table(
        IEnumerable<JsonNode> records,
        Action<IReadOnlyList<string>, IEnumerable<IReadOnlyList<object?>>> write
    )
    {
        using var rows = new FlatRowSpool(records.Select(FlatRow.Of));
        write(rows.Columns, rows.Rows());
    }

    /// <exception cref="RefusedException">The file cannot be read at all.</exception>
    internal static IReadOnlyList<FileRecord> Read(string format, byte[] content)
    {
        if (content.Length == 0)
            throw new RefusedException("file", "The file is empty.");
        var read = format switch
        {
            "json" => Json(content),
            "csv" => Rows(() => CsvSheet.Read(content)),
            "xlsx" => Rows(() => XlsxFile.Read(content)),
            _ => throw Unknown(),
        };
        return read.Count > 0
            ? read
            : throw new RefusedException("file", "The file has a header and no rows below it.");
    }

    private static RefusedException Unknown() => new("format", "Choose csv, xlsx or json.");

    private static List<FileRecord> Json(byte[] content)
    {
        if (!Utf8.IsValid(content))
            throw new RefusedException("file", "The file is not UTF-8; save it as UTF-8 and bring it in again.");
        try
        {
            return JsonNode.Parse(content) is JsonArray { Count: < Bounds.SheetRows } list
                ?
                [
                    .. list.Select(
                        (node, i) =>
                            node is JsonObject record
                                ? new FileRecord(i + 1, record)
                                : new FileRecord(i + 1, null, "This is no object.")
                    ),
                ]
                : throw new RefusedException(
                    "file",
                    $"The file holds a list of fewer than {Bounds.SheetRows:N0} objects, as it is exported."
                );
        }
        catch (JsonException e)
        {
            throw new RefusedException("file", $"The file is no JSON: {e.Message}");
        }
    }

    private static List<FileRecord> Rows(Func<SheetRows> read)
    {
        try
        {
            var sheet = read();
            return
            [
                .. sheet.Rows.Select(row =>
                    row.Values is null
                        ? new FileRecord(row.Line, null, row.Problem!)
                        : new FileRecord(row.Line, FlatRow.Record(sheet.Columns, row.Values))
                ),
            ];
        }
        catch (CsvException e)
        {
            throw new RefusedException("file", e.Message);
        }
        catch (FormatException e)
        {
            throw new RefusedException(
                "file",
                $"The column ‘{e.Message}’ is none that is known; columns are named as they are exported."
            );
        }
    }
}
