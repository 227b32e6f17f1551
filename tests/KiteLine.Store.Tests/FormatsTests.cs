using System.Text;
using KiteLine.Formats;
using MiniExcelLibs;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class FormatsTests : IDisposable
{
    private readonly string _file = Path.GetTempFileName();

    public void Dispose() => File.Delete(_file);

    private List<(long Line, string[]? Values, string? Problem)> Read(byte[] bytes, params string[] required)
    {
        File.WriteAllBytes(_file, bytes);
        using var table = CsvTable.Open(_file, ["code", "name", "limit"], required);
        return [.. table.Rows()];
    }

    private List<(long Line, string[]? Values, string? Problem)> Read(string text) =>
        Read(Encoding.UTF8.GetBytes(text));

    [Theory]
    [InlineData("code,name\nA1,Rope")]
    [InlineData("name;code\nRope;A1")]
    [InlineData("\ufeffcode,name\r\nA1,Rope\r\n")]
    [InlineData("other,NAME , Code\nx, Rope ,A1\n\n")]
    [InlineData("\"code\",\"name\"\n\"A1\",\"Rope\"")]
    public void Columns_stand_in_any_order_with_comma_or_semicolon_marks_and_quotes(string text)
    {
        var (line, values, problem) = Read(text).ShouldHaveSingleItem();
        problem.ShouldBeNull();
        line.ShouldBe(2);
        values.ShouldBe(["A1", "Rope", ""]);
    }

    [Fact]
    public void Quoted_separators_quotes_and_line_breaks_are_text_and_lines_still_count()
    {
        var rows = Read("code,name\nA1,\"Rope, \"\"Best\"\"\nand Co\"\nA2,Sail\n");
        rows[0].Values![1].ShouldBe("Rope, \"Best\"\nand Co");
        rows[1].Line.ShouldBe(4);
    }

    [Fact]
    public void A_row_of_another_width_and_one_that_is_not_utf8_are_named()
    {
        var rows = Read([
            .. Encoding.UTF8.GetBytes("code,name\nA1\nA2,Se"),
            0xF1,
            .. Encoding.UTF8.GetBytes("or\nA3,Good\n"),
        ]);
        rows[0].Problem.ShouldNotBeNull().ShouldContain("1 fields, the header has 2");
        rows[1].Problem.ShouldNotBeNull().ShouldContain("not UTF-8");
        rows[2].Values.ShouldBe(["A3", "Good", ""]);
    }

    [Fact]
    public void A_quote_that_is_never_closed_is_told_and_swallows_nothing_in_silence() =>
        Read("code,name\nA1,\"Rope\nA2,Sail\n").ShouldContain(r => r.Problem != null);

    [Theory]
    [InlineData("", "empty")]
    [InlineData("\n", "empty")]
    [InlineData("code,code\nA,B", "twice")]
    [InlineData("code,limit\nA,5", "lacks the column ‘name’")]
    public void A_file_that_cannot_be_read_says_why(string text, string reason) =>
        Should.Throw<CsvException>(() => Read(Encoding.UTF8.GetBytes(text), "name")).Message.ShouldContain(reason);

    [Fact]
    public void What_is_written_can_be_read_again_and_is_no_formula()
    {
        using var stream = new MemoryStream();
        CsvWriterFile.Write(
            stream,
            ["code", "name", "limit"],
            [
                ["A1", "Rope, \"Best\"", 12.5m],
                ["A2", "=1+1", -3m],
            ]
        );
        var bytes = stream.ToArray();
        bytes[..3].ShouldBe(new byte[] { 0xEF, 0xBB, 0xBF });
        var rows = Read(bytes);
        rows[0].Values.ShouldBe(["A1", "Rope, \"Best\"", "12.5"]);
        rows[1].Values.ShouldBe(["A2", "'=1+1", "-3"]);
    }

    [Fact]
    public void A_spreadsheet_holds_numbers_as_numbers()
    {
        using var stream = new MemoryStream();
        XlsxFile.Write(
            stream,
            ["Code", "Exposure"],
            [
                ["A1", 1234.56m],
            ],
            "Accounts"
        );
        var row = (IDictionary<string, object>)stream.Query(useHeaderRow: true).Single();
        row["Code"].ShouldBe("A1");
        row["Exposure"].ShouldBe(1234.56d);
    }

    [Theory]
    [InlineData("Dear {{ customer }}, {{ total }} by {{ pay_by }}", null)]
    [InlineData("plain", null)]
    [InlineData("{{ colour }}", "no field ‘colour’")]
    [InlineData("{{ customer", "is not closed")]
    [InlineData("{% if level == '2' %}x{% endif %}", null)]
    public void A_text_with_an_unknown_field_is_refused_with_those_that_are_known(string template, string? problem)
    {
        var found = LetterTexts.Kind.Problem(template);
        if (problem is null)
            found.ShouldBeNull();
        else
            found.ShouldNotBeNull().ShouldContain(problem);
        if (problem?.StartsWith("no field", StringComparison.Ordinal) == true)
            found!.ShouldContain("oldest_days");
    }
}
