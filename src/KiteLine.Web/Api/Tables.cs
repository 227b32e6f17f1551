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
            "csv" => FileAnswer.Of(file => CsvWriterFile.Write(file, header, rows), FileAnswer.Csv, name + ".csv"),
            "xlsx" => FileAnswer.Of(file => XlsxFile.Write(file, header, rows, title), FileAnswer.Xlsx, name + ".xlsx"),
            _ => throw new RefusedException("format", "Choose csv or xlsx."),
        };
}
