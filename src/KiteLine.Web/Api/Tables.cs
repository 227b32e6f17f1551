using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>Tables that go out as files.</summary>
internal static class Tables
{
    /// <param name="format">csv or xlsx.</param>
    /// <param name="title">Of the sheet.</param>
    /// <param name="name">Of the file, without its ending.</param>
    internal static IResult File(
        string? format,
        string[] header,
        IEnumerable<IReadOnlyList<object?>> rows,
        string title,
        string name
    ) =>
        format switch
        {
            "csv" => Results.File(CsvWriterFile.Write(header, rows), "text/csv; charset=utf-8", name + ".csv"),
            "xlsx" => Results.File(
                XlsxFile.Write(header, rows, title),
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                name + ".xlsx"
            ),
            _ => throw new RefusedException("format", "Choose csv or xlsx."),
        };
}
