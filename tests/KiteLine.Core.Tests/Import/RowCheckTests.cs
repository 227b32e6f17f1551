using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class RowCheckTests
{
    // account, document, type, date, due, net, tax, amount, open, terms, reference
    private static readonly string[] Good =
    [
        "PEL01",
        "INV-1",
        "invoice",
        "2026-02-01",
        "2026-03-03",
        "100.00",
        "20.00",
        "120.00",
        "60.00",
        "",
        "PO 7",
    ];

    private static (bool Good, List<string> Problems, OpenItemRow Row) Item(string column = "", string value = "")
    {
        var values = (string[])Good.Clone();
        if (column.Length > 0)
            values[OpenItemRow.Columns.ToList().IndexOf(column)] = value;
        var problems = new List<string>();
        var good = OpenItemRow.Check(
            values,
            Given.Gbp,
            (c, v, reason) => problems.Add($"{c}|{v}|{reason}"),
            out var row
        );
        return (good, problems, row);
    }

    [Fact]
    public void A_good_row_is_read_in_minor_units()
    {
        var (good, problems, row) = Item();
        good.ShouldBeTrue();
        problems.ShouldBeEmpty();
        (row.Net, row.Tax, row.Gross, row.Open).ShouldBe((10_000, 2_000, 12_000, 6_000));
        row.DueGiven.ShouldBe(Given.Day("2026-03-03"));
    }

    [Theory]
    [InlineData("document", "", "document number")]
    [InlineData("type", "bill", "invoice, credit or receipt")]
    [InlineData("type", "balance", "can't be aged, charged or reminded")]
    [InlineData("document", "Opening balance", "can't be aged, charged or reminded")]
    [InlineData("document", "Balance b/f", "can't be aged, charged or reminded")]
    [InlineData("date", "01/02/2026", "year-month-day")]
    [InlineData("date", "2026-02-30", "year-month-day")]
    [InlineData("date", "", "year-month-day")]
    [InlineData("due", "2026-01-31", "not before")]
    [InlineData("net", "100.001", "at most 2 decimals for GBP")]
    [InlineData("net", "90.00", "do not add up")]
    [InlineData("amount", "1,200.00", "no grouping")]
    [InlineData("amount", "-120.00", "written positive")]
    [InlineData("amount", "0", "above zero")]
    [InlineData("tax", "ten", "an amount such as")]
    [InlineData("open", "120.01", "not more than the amount")]
    [InlineData("open", "0.00", "leave settled documents out")]
    [InlineData("amount", "99999999999999999999", "at most 1,000,000,000,000")]
    public void A_bad_value_names_its_column_what_stands_there_and_what_is_wanted(
        string column,
        string value,
        string reason
    )
    {
        var (good, problems, _) = Item(column, value);
        good.ShouldBeFalse();
        problems.ShouldContain(p => p.Contains(reason, StringComparison.Ordinal) && p.Split('|')[0].Length > 0);
    }

    [Fact]
    public void Every_bad_value_of_a_row_is_told_at_once()
    {
        string[] values = ["PEL01", "", "x", "no", "no", "1.001", "", "", "", "", ""];
        var columns = new List<string>();
        OpenItemRow.Check(values, Given.Gbp, (c, _, _) => columns.Add(c), out _).ShouldBeFalse();
        columns.ShouldBe(["document", "type", "date", "due", "net"]);
    }

    [Theory]
    [InlineData("net", "", 10_000)]
    [InlineData("amount", "", 10_000)]
    [InlineData("open", "", 10_000)]
    public void Amounts_that_follow_from_the_others_may_be_left_out(string column, string value, long net)
    {
        var (good, _, row) = Item(column, value);
        good.ShouldBeTrue();
        row.Net.ShouldBe(net);
        row.Gross.ShouldBe(12_000);
        if (column == "open")
            row.Open.ShouldBe(12_000);
    }

    [Theory]
    [InlineData("code", "A B", "code")]
    [InlineData("name", "", "name")]
    [InlineData("currency", "gbp", "ISO 4217")]
    [InlineData("limit", "-1", "zero or above")]
    [InlineData("limit", "1.234", "at most 2 decimals")]
    [InlineData("limit", "lots", "amount such as")]
    [InlineData("state", "frozen", "open, watch or stop")]
    [InlineData("state", "1", "open, watch or stop")]
    [InlineData("email", "nobody", "e-mail")]
    public void A_bad_customer_names_its_column(string column, string value, string reason)
    {
        string[] values = ["PEL01", "Pellworm", "GBP", "n/30", "5000", "", "", "open", "", "a@b.example"];
        values[CustomerRow.Columns.ToList().IndexOf(column)] = value;
        var problems = new List<string>();
        CustomerRow.Check(2, values, (c, _, why) => problems.Add($"{c}: {why}")).ShouldBeNull();
        problems.ShouldHaveSingleItem().ShouldStartWith(column + ":");
        problems[0].ShouldContain(reason);
    }

    [Theory]
    [InlineData("Pellworm Sail Loft", "PEL01")]
    [InlineData("Ørsted", "ORS01")]
    [InlineData("Ünal & Söhne", "UNA01")]
    [InlineData("7", "XXX01")]
    [InlineData("Taken Twice", "TAK03")]
    public void A_code_is_proposed_from_the_name_and_unique(string name, string code) =>
        AccountCode.Propose(name, c => c is "TAK01" or "TAK02").ShouldBe(code);
}
