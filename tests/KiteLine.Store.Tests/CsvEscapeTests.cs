using System.Text;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>A text that a spreadsheet would run as a formula is led by an apostrophe, and comes back as it was.</summary>
public class CsvEscapeTests
{
    private static string Written(params object?[] row)
    {
        using var file = new MemoryStream();
        CsvWriterFile.Write(file, [.. row.Select((_, i) => $"c{i}")], [row]);
        return Encoding.UTF8.GetString(file.ToArray()).Split('\n')[1].TrimEnd('\r');
    }

    private static string? ReadBack(object value)
    {
        using var file = new MemoryStream();
        CsvWriterFile.Write(
            file,
            ["a", "b"],
            [
                [value, "x"],
            ]
        );
        return CsvSheet.Read(file.ToArray()).Rows.Single().Values![0];
    }

    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("@SUM(A1)", "'@SUM(A1)")]
    [InlineData("+44 1700 900141", "'+44 1700 900141")]
    [InlineData("-cmd|' /C calc'!A0", "'-cmd|' /C calc'!A0")]
    [InlineData("'tis a name", "''tis a name")]
    [InlineData("-5.00", "-5.00")]
    [InlineData("O'Neill", "O'Neill")]
    public void What_would_run_is_led_by_an_apostrophe_and_a_number_is_left_alone(string text, string written) =>
        Written(text, "x").ShouldBe($"{written},x");

    [Fact]
    public void A_number_is_no_text() => Written(-5.25m, 12L).ShouldBe("-5.25,12");

    [Theory]
    [InlineData("=1+1")]
    [InlineData("@x")]
    [InlineData("+x")]
    [InlineData("-x")]
    [InlineData("'")]
    [InlineData("'=1+1")]
    [InlineData("''x")]
    [InlineData("-5.00")]
    [InlineData("- 5")]
    [InlineData("plain")]
    public void It_is_read_back_unchanged(string text) => ReadBack(text).ShouldBe(text);
}
