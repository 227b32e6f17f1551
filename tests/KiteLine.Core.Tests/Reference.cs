using System.Globalization;

namespace KiteLine.Core.Tests;

/// <summary>Reads the committed tables that other libraries computed; their generators stand beside them.</summary>
internal static class Reference
{
    internal static IEnumerable<string[]> Rows(string name)
    {
        var folder = AppContext.BaseDirectory;
        while (!Directory.Exists(Path.Combine(folder, "tests", "reference")))
            folder = Path.GetDirectoryName(folder)!;
        return File.ReadLines(Path.Combine(folder, "tests", "reference", name)).Skip(1).Select(line => line.Split(','));
    }

    internal static DateOnly Day(string iso) => DateOnly.ParseExact(iso, "yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static decimal Number(string text) =>
        decimal.Parse(text, NumberStyles.Float, CultureInfo.InvariantCulture);
}
