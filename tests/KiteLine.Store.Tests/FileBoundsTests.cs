using System.IO.Compression;
using System.Text;
using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>No file keeps its reader busy or fills memory; files of the size of real ones are read.</summary>
public class FileBoundsTests
{
    private const string Sheet = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";

    // The least of a workbook: one sheet with these cells.
    private static byte[] Workbook(string sheet, Action<ZipArchive>? more = null)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Part(string name, string text)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }

            Part(
                "[Content_Types].xml",
                "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"xml\" "
                    + "ContentType=\"application/xml\"/></Types>"
            );
            Part(
                "xl/workbook.xml",
                $"<workbook xmlns=\"{Sheet}\" xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\">"
                    + "<sheets><sheet name=\"a\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>"
            );
            Part(
                "xl/_rels/workbook.xml.rels",
                "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\" "
                    + "Type=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet\" "
                    + "Target=\"worksheets/sheet1.xml\"/></Relationships>"
            );
            Part("xl/worksheets/sheet1.xml", $"<worksheet xmlns=\"{Sheet}\">{sheet}</worksheet>");
            more?.Invoke(zip);
        }

        return file.ToArray();
    }

    private static string Cell(string at, string text) => $"<c r=\"{at}\" t=\"inlineStr\"><is><t>{text}</t></is></c>";

    private const string Header = "<row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>code</t></is></c></row>";

    [Fact]
    public void A_small_workbook_is_read() =>
        XlsxFile
            .Read(Workbook($"<sheetData>{Header}<row r=\"2\">{Cell("A2", "PEL01")}</row></sheetData>"))
            .Rows.ShouldHaveSingleItem()
            .Values.ShouldBe(["PEL01"]);

    [Theory]
    [InlineData("<sheetData>{0}<row r=\"1048576\"><c r=\"XFD1048576\"><v>1</v></c></row></sheetData>", "1048576")]
    [InlineData("<dimension ref=\"A1:XFD1048576\"/><sheetData>{0}</sheetData>", "XFD1048576")]
    [InlineData("<sheetData>{0}<row r=\"99999999999999999999\"><c><v>1</v></c></row></sheetData>", "reaches")]
    [InlineData("<sheetData>{0}<row r=\"190000\"><c r=\"SF190000\"><v>1</v></c></row></sheetData>", "nearly empty")]
    public void A_cell_that_stands_far_out_is_refused(string sheet, string told) =>
        Should
            .Throw<CsvException>(() => XlsxFile.Read(Workbook(sheet.Replace("{0}", Header, StringComparison.Ordinal))))
            .Message.ShouldContain(told);

    [Fact]
    public void A_workbook_that_unpacks_to_gigabytes_is_refused_before_it_does()
    {
        var bomb = Workbook(
            $"<sheetData>{Header}</sheetData>",
            zip =>
            {
                using var part = zip.CreateEntry("xl/sharedStrings.xml", CompressionLevel.Fastest).Open();
                var zeros = new byte[1 << 20];
                for (var i = 0; i < 450; i++)
                    part.Write(zeros);
            }
        );
        bomb.Length.ShouldBeLessThan(5_000_000);
        Should.Throw<CsvException>(() => XlsxFile.Read(bomb)).Message.ShouldContain("unpacks");
    }

    [Fact]
    public void A_workbook_that_is_none_is_refused() =>
        Should.Throw<CsvException>(() => XlsxFile.Read(Encoding.UTF8.GetBytes("code,name\nA,B\n")));

    [Fact]
    public void Five_thousand_rows_of_sixty_columns_are_read_back_as_they_were_written()
    {
        string[] header = [.. Enumerable.Range(0, 60).Select(i => $"c{i}")];
        using var file = new MemoryStream();
        XlsxFile.Write(
            file,
            header,
            // Most cells of a customer are empty.
            Enumerable
                .Range(0, 5_000)
                .Select(r => (IReadOnlyList<object?>)[.. header.Select((_, c) => c < 5 ? $"{r}/{c}" : "")]),
            "customers"
        );
        var read = XlsxFile.Read(file.ToArray());
        read.Columns.ShouldBe(header);
        read.Rows.Count.ShouldBe(5_000);
        read.Rows[4_999].Values![4].ShouldBe("4999/4");
    }

    private const string Ubl = "urn:oasis:names:specification:ubl:schema:xsd:Order-2";

    [Theory]
    [InlineData(101)]
    [InlineData(20_000)]
    public void An_xml_file_that_goes_deep_is_refused(int depth)
    {
        var deep = new StringBuilder($"<Order xmlns=\"{Ubl}\">");
        for (var i = 0; i < depth; i++)
            deep.Append("<a xmlns:p").Append(i).Append("=\"u\">");
        for (var i = 0; i < depth; i++)
            deep.Append("</a>");
        deep.Append("</Order>");
        Should
            .Throw<RefusedException>(() => UblOrder.Read(Encoding.UTF8.GetBytes(deep.ToString())))
            .Message.ShouldContain("100 deep");
    }

    [Theory]
    [InlineData("<!DOCTYPE x [<!ENTITY a \"b\">]><x>&a;</x>")]
    [InlineData("<x>")]
    [InlineData("")]
    public void An_xml_file_with_a_document_type_or_that_is_none_is_refused(string text) =>
        Should.Throw<RefusedException>(() => UblOrder.Read(Encoding.UTF8.GetBytes(text)));

    private static SheetRows Csv(string text) => CsvSheet.Read(Encoding.UTF8.GetBytes(text));

    [Fact]
    public void A_header_that_does_not_end_is_refused()
    {
        Should.Throw<CsvException>(() => Csv("code,\"" + new string('x', 2_000_000)));
        Should.Throw<CsvException>(() => Csv(new string('x', 2_000_000) + "\n1\n"));
        Should
            .Throw<CsvException>(() => Csv(string.Join(',', Enumerable.Range(0, 501).Select(i => $"c{i}")) + "\n"))
            .Message.ShouldContain("500 columns");
        Should.Throw<CsvException>(() => Csv($"code,{new string('x', 201)}\n")).Message.ShouldContain("column 2");
    }

    [Fact]
    public void More_rows_than_any_book_has_are_refused()
    {
        var rows = new StringBuilder("code\n");
        for (var i = 0; i <= Bounds.SheetRows; i++)
            rows.Append("A\n");
        Should.Throw<CsvException>(() => Csv(rows.ToString())).Message.ShouldContain("200,000 rows");
    }

    [Fact]
    public void Orders_in_many_rows_are_put_together_and_bounded()
    {
        var rows = new StringBuilder("account,number,date,amount,delivery\n");
        for (var i = 0; i < 5_000; i++)
            rows.Append("PEL01,SO-")
                .Append(i / 2)
                .Append(",2026-03-16,10.00,2026-04-")
                .Append(1 + (i % 2))
                .Append('0')
                .Append('\n');
        var (orders, problems) = OrderCsv.Read(Encoding.UTF8.GetBytes(rows.ToString()), "GBP");
        problems.ShouldBeEmpty();
        orders.Count.ShouldBe(2_500);
        orders.ShouldAllBe(o => o.Total == 20 && o.Deliveries.Count == 2);

        (_, problems) = OrderCsv.Read(
            Encoding.UTF8.GetBytes(
                "account,number,date,amount\nPEL01,A,2026-03-16,92000000000000000\nPEL01,B,0001-01-01,5\n"
                    + "PEL01,C,2026-03-16,99999999999999999999999999999999999\n"
            ),
            "GBP"
        );
        problems.Select(p => (p.Row, p.Column)).ShouldBe([(2, "amount"), (3, "date"), (4, "amount")]);
    }
}
