using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>The bounds that hold for every table that is read, whatever its format.</summary>
internal static class SheetShape
{
    /// <exception cref="CsvException">There are too many columns, or one has too long a name.</exception>
    internal static void Check(IReadOnlyList<string> header)
    {
        if (header.Count > Bounds.SheetColumns)
            throw new CsvException($"A table has up to {Bounds.SheetColumns} columns; this one has {header.Count:N0}.");
        for (var i = 0; i < header.Count; i++)
            if (header[i].Length > Bounds.Line)
                throw new CsvException($"The name of column {i + 1} has more than {Bounds.Line} characters.");
    }

    /// <summary>The text of a cell as it is.</summary>
    /// <exception cref="CsvException">It is too long.</exception>
    internal static string Cell(string text) =>
        text.Length <= Bounds.Cell
            ? text
            : throw new CsvException($"A cell has up to {Bounds.Cell:N0} characters; one here has {text.Length:N0}.");
}
