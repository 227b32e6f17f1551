using System.Diagnostics;
using System.Globalization;
using Dapper;
using DuckDB.NET.Data;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class ImportTests : IDisposable
{
    private const string Customers =
        "code,name,currency,terms,limit,state\nPEL01,Pellworm,GBP,2/10 n/30,5000,watch\n,Harbourside,EUR,,,\n";
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-import");
    private readonly StringWriter _report = new();
    private Books? _books;

    public void Dispose()
    {
        _books?.Dispose();
        _report.Dispose();
        _folder.Delete(recursive: true);
    }

    private int Import(string? customers, string? items, bool dryRun = false, bool acceptGood = false)
    {
        _books ??= DataFolder.OpenCompany(Path.Combine(_folder.FullName, "data"));
        foreach (var (name, text) in new[] { ("customers.csv", customers), ("open-items.csv", items) })
        {
            File.Delete(Path.Combine(_folder.FullName, name));
            if (text is not null)
                File.WriteAllText(Path.Combine(_folder.FullName, name), text);
        }

        return new ImportCommand(TextWriter.Null, _report).Run(_folder.FullName, _books, dryRun, acceptGood);
    }

    private long Count(string table) => _books!.Read(c => c.ExecuteScalar<long>($"SELECT count(*) FROM {table}"));

    /// <summary>
    /// Another number, but the amount and the day or the reference of one that the account has: named, and stored.
    /// </summary>
    [Fact]
    public void A_likely_duplicate_of_what_an_account_has_already_is_named()
    {
        const string Head = "account;document;type;date;due;net;tax;amount;open;terms;reference\n";
        Import(Customers, Head + "PEL01;I-1;invoice;2026-02-01;;100;20;120;;;PO 1\n").ShouldBe(0, $"{_report}");
        $"{_report}".ShouldBe("");
        Import(
                null,
                Head
                    + "PEL01;I-2;invoice;2026-02-09;;100;20;120;;;po-1\n"
                    + "PEL01;I-3;invoice;2026-02-01;;100;20;120;;;\n"
                    + "PEL01;I-4;invoice;2026-02-09;;100;20;120;;;\n"
                    + "PEL01;R-1;receipt;2026-02-01;;;;120;;;PO 1\n"
            )
            .ShouldBe(0, $"{_report}");
        $"{_report}"
            .Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(l => l.Trim())
            .ShouldBe([
                "open-items.csv row 2, likely duplicate ‘I-2’: I-1 of 1 Feb 2026 has the same amount, 120.00, and the same "
                    + "reference, PO 1.",
                "open-items.csv row 3, likely duplicate ‘I-3’: I-1 of 1 Feb 2026 has the same amount, 120.00, and the same day.",
            ]);
        Count("document").ShouldBe(5);
    }

    [Fact]
    public void Customers_and_open_items_come_in_and_the_books_are_sound()
    {
        Import(
                Customers,
                "account;document;type;date;due;net;tax;amount;open;terms;reference\n"
                    + "PEL01;I-1;invoice;2026-02-01;;100;20;120;;;PO 1\nhar01;C-1;credit;2026-02-02;;;;50;25.5;;\n"
                    + "PEL01;R-1;receipt;2026-02-03;;;;10;;;\n"
                    + "PEL01;I-2;invoice;2026-02-01;;;;100;70;\"40% now, rest 20\";\n"
            )
            .ShouldBe(0, _report.ToString());
        _books!.Read(Verifier.Check).ShouldBeEmpty();
        var rows = _books
            .Read(c =>
                c.Query<(string, long, long, string)>(
                    "SELECT d.number, i.instalment, i.open, i.due FROM item i JOIN document d ON d.id = "
                        + "i.document_id ORDER BY i.id"
                )
            )
            .ToArray();
        rows.ShouldBe([
            ("I-1", 1, 12_000, "2026-03-03"),
            ("C-1", 1, -2_550, "2026-02-02"),
            ("R-1", 1, -1_000, "2026-02-03"),
            ("I-2", 1, 1_000, "2026-02-01"),
            ("I-2", 2, 6_000, "2026-02-21"),
        ]);
        _books.Read(c => c.Query<string>("SELECT code FROM account ORDER BY code")).ShouldBe(["HAR01", "PEL01"]);
    }

    [Fact]
    public async Task An_opening_document_is_reversed_over_http_shown_first_and_once()
    {
        using var app = new TestApp();
        File.WriteAllText(Path.Combine(_folder.FullName, "customers.csv"), "code,name\nPEL01,Pellworm\n");
        File.WriteAllText(
            Path.Combine(_folder.FullName, "open-items.csv"),
            "account,document,type,date,amount\nPEL01,I-1,invoice,2026-02-01,120\nPEL01,I-2,invoice,2026-02-01,30\n"
        );
        new ImportCommand(TextWriter.Null, _report)
            .Run(_folder.FullName, app.Books, false, false)
            .ShouldBe(0, _report.ToString());
        var row = (await app.Get("/api/accounts/PEL01/ledger"))
            .EnumerateArray()
            .Single(r => r.GetProperty("number").GetString() == "I-1");
        row.GetProperty("canReverse").GetBoolean().ShouldBeTrue();
        var id = row.GetProperty("openingDocument").GetInt64();
        (await app.Get($"/api/postings/{row.GetProperty("entryId")}/journal?openingDocument={id}"))
            .EnumerateArray()
            .Select(l => $"{l.GetProperty("debit")} {l.GetProperty("credit")}")
            .ShouldBe(["120.00 ", " 120.00"]);

        var path = $"/api/opening-documents/{id}/reverse";
        (await app.Refused(path, new { reason = "" })).ShouldBe(["reason"]);
        var (_, shown) = await app.Post(path + "?preview=true", new { reason = "wrong" });
        shown.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("30.00");
        (await app.Get("/api/accounts/PEL01/settlement")).GetProperty("open").GetString().ShouldBe("150.00");
        var (_, first) = await app.Post(path, new { reason = "wrong" }, ("Idempotency-Key", "k1"));
        var (_, again) = await app.Post(path, new { reason = "wrong" }, ("Idempotency-Key", "k1"));
        again.ToString().ShouldBe(first.ToString());
        (await app.Get("/api/accounts/PEL01/settlement")).GetProperty("open").GetString().ShouldBe("30.00");
        app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void One_bad_row_keeps_all_out_and_every_bad_one_is_named()
    {
        Import(
                Customers,
                "account,document,date,amount\nPEL01,I-1,2026-02-01,100\nNOBODY,I-2,2026-02-01,100\n"
                    + "PEL01,I-3,01.02.2026,ten\nPEL01,I-1,2026-02-01,100\n"
            )
            .ShouldBe(1);
        var report = _report.ToString();
        report.ShouldContain("open-items.csv row 3, account ‘NOBODY’");
        report.ShouldContain("row 4, date ‘01.02.2026’");
        report.ShouldContain("row 4, amount ‘ten’");
        report.ShouldContain("row 5, document ‘I-1’");
        (Count("account"), Count("item"), Count("audit")).ShouldBe((0, 0, Count("audit")));
        Import(
                Customers,
                "account,document,date,amount\nPEL01,I-1,2026-02-01,100\nNOBODY,I-2,2026-02-01,100\n",
                acceptGood: true
            )
            .ShouldBe(1);
        (Count("account"), Count("item")).ShouldBe((2, 1));
        _books!.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void Terms_that_do_not_fit_an_amount_leave_nothing_of_its_document()
    {
        Import(
                Customers,
                "account,document,date,amount,terms\nPEL01,I-1,2026-02-01,100,\"500.00 now, rest 20\"\n"
                    + "PEL01,I-2,2026-02-01,900,\"500.00 now, rest 20\"\n",
                acceptGood: true
            )
            .ShouldBe(1);
        _report.ToString().ShouldContain("row 2, terms ‘500.00 now, rest 20’");
        _books!.Read(c => c.Query<string>("SELECT number FROM document")).ShouldBe(["I-2"]);
        (Count("document"), Count("item")).ShouldBe((1, 2));
        _books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task No_account_and_no_file_holds_more_than_can_be_added_up()
    {
        using var app = new TestApp();
        const decimal Largest = Bounds.Amount;
        var fit = (int)(AccountBounds.Most / (Largest * 100));
        int Stored(string customers, IEnumerable<string> rows)
        {
            File.WriteAllText(Path.Combine(_folder.FullName, "customers.csv"), "code,name\n" + customers);
            File.WriteAllLines(
                Path.Combine(_folder.FullName, "open-items.csv"),
                rows.Prepend("account,document,type,date,amount")
            );
            return new ImportCommand(TextWriter.Null, _report).Run(_folder.FullName, app.Books, false, false);
        }

        IEnumerable<string> Rows(string account, int from, int count) =>
            Enumerable.Range(from, count).Select(i => $"{account},I-{i},invoice,2026-02-01,{Largest}");

        Stored("PEL01,Pellworm\n", Rows("PEL01", 1, fit + 1)).ShouldBe(1);
        _report.ToString().ShouldContain($"open-items.csv row {fit + 2}, open");
        Stored("PEL01,Pellworm\nHAR01,Harbour\n", Rows("PEL01", 1, fit).Concat(Rows("HAR01", 1, 1))).ShouldBe(1);
        _report.ToString().ShouldContain("add up to more than the journal can hold");
        Stored("PEL01,Pellworm\n", Rows("PEL01", 1, fit)).ShouldBe(0, _report.ToString());

        // Neither by another file nor by a posting.
        Stored("HAR01,Harbour\n", Rows("PEL01", fit + 1, 1)).ShouldBe(1);
        _report.ToString().ShouldContain($"open-items.csv row 2, open");
        var receipt = new { valueDate = "2026-03-16", cash = $"{Largest}" };
        (await app.Refused("/api/accounts/PEL01/receipts", receipt)).ShouldBe(["amount"]);
        // What stands in it can be taken back all the same.
        var opening = (await app.Get("/api/accounts/PEL01/ledger"))[0].GetProperty("openingDocument").GetInt64();
        var (status, told) = await app.Post($"/api/opening-documents/{opening}/reverse", new { reason = "wrong" });
        status.ShouldBe(200, $"{told}");
        (await app.Get("/api/accounts"))
            .GetProperty("totals")[0]
            .GetProperty("exposure")
            .GetString()
            .ShouldBe($"{(fit - 1) * Largest}.00");
    }

    [Fact]
    public void A_second_import_of_the_same_is_refused_and_not_doubled()
    {
        const string Items = "account,document,date,amount\nPEL01,I-1,2026-02-01,100\n";
        Import(Customers, Items).ShouldBe(0);
        Import(Customers, null).ShouldBe(1);
        _report.ToString().ShouldContain("row 2, code ‘PEL01’");
        Import(null, Items).ShouldBe(1);
        _report.ToString().ShouldContain("not stored twice");
        (Count("account"), Count("item")).ShouldBe((2, 1));
    }

    [Fact]
    public void A_dry_run_checks_everything_and_stores_nothing()
    {
        Import(Customers, "account,document,date,amount\nPEL01,I-1,2026-02-01,100\n", dryRun: true).ShouldBe(0);
        Count("account").ShouldBe(0);
        Import("name\n\n", null, dryRun: true).ShouldBe(1);
    }

    [Theory]
    [InlineData("", "The file is empty")]
    [InlineData("name,code\n", "no rows below it")]
    [InlineData("code,limit\nA,5\n", "lacks the column ‘name’")]
    [InlineData("name,terms\nA,whenever\n", "row 2, terms ‘whenever’")]
    [InlineData("name,terms\nA,2/40 n/30\n", "ends after the invoice is due")]
    [InlineData("name,terms\nA,\"60% now, 50% 30\"\n", "110 %")]
    [InlineData("name,late_charge_policy\nA,NOPE\n", "no late-charge policy")]
    [InlineData("name,currency,limit\nA,JPY,10.5\n", "at most 0 decimals for JPY")]
    [InlineData("name,currency\nA,POUND\n", "ISO 4217")]
    [InlineData("code,name\nA1,x\nA1,y\n", "row 3, code ‘A1’")]
    public void A_file_that_cannot_come_in_says_why(string customers, string reason)
    {
        Import(customers, null).ShouldBe(1);
        _report.ToString().ShouldContain(reason);
        Count("account").ShouldBe(0);
    }

    [Fact]
    public void A_call_without_files_is_unusable()
    {
        Import(null, null).ShouldBe(2);
        new ImportCommand(TextWriter.Null, _report)
            .Run(Path.Combine(_folder.FullName, "nowhere"), _books!, false, false)
            .ShouldBe(2);
    }

    /// <summary>Source of the other side: DuckDB, by plain SQL over the raw files.</summary>
    [Theory]
    [InlineData("2026-03-16")]
    [InlineData("2026-01-20")]
    public void Ageing_exposure_and_headroom_of_a_large_book_equal_a_recomputation_in_DuckDB(string asOf)
    {
        LargeBook.Write(_folder.FullName, accounts: 1500, items: 20_000, today: new(2026, 3, 16), seed: 11);
        _books = DataFolder.OpenCompany(Path.Combine(_folder.FullName, "data"));
        new ImportCommand(TextWriter.Null, _report)
            .Run(_folder.FullName, _books, false, false)
            .ShouldBe(0, _report.ToString());
        var day = DateOnly.ParseExact(asOf, "yyyy-MM-dd", CultureInfo.InvariantCulture);
        var ours = _books
            .Read(c => BookLoader.Load(_books, c))
            .Select(a => AccountPosition.On(a, day, new(new(), AgeingBuckets.Default, BusinessCalendar.WeekendsOnly)))
            .ToDictionary(p => p.Account.Code, p => (p.Exposure, p.Headroom, Ageing: string.Join(' ', p.Ageing)));

        using var duck = new DuckDBConnection("Data Source=:memory:");
        duck.Open();
        var theirs = duck.Query<(string Code, long Exposure, long Headroom, string Ageing)>(
                $"""
                WITH open_items AS (
                    SELECT account, datediff('day', due, DATE '{asOf}') AS days,
                           CAST(round(open * 100) AS BIGINT) * CASE type WHEN 'invoice' THEN 1 ELSE -1 END AS minor
                    FROM read_csv('{_folder.FullName}/open-items.csv', header = true,
                        types = {"{"}'date': 'DATE', 'due': 'DATE', 'open': 'DECIMAL(18,2)'{"}"})
                    WHERE date <= DATE '{asOf}')
                SELECT c.code, coalesce(sum(minor), 0)::BIGINT,
                    (any_value(CAST(c."limit" * 100 AS BIGINT)) - coalesce(sum(minor), 0))::BIGINT,
                       concat_ws(' ', coalesce(sum(minor) FILTER (days <= 0), 0),
                           coalesce(sum(minor) FILTER (days BETWEEN 1 AND 30), 0),
                           coalesce(sum(minor) FILTER (days BETWEEN 31 AND 60), 0),
                                 coalesce(sum(minor) FILTER (days BETWEEN 61 AND 90), 0),
                                     coalesce(sum(minor) FILTER (days > 90), 0))
                FROM read_csv('{_folder.FullName}/customers.csv', header = true,
                    types = {"{"}'limit': 'DECIMAL(18,2)'{"}"}) c LEFT JOIN open_items i ON i.account = c.code
                GROUP BY c.code
                """
            )
            .ToArray();
        theirs.Length.ShouldBe(1500);
        foreach (var row in theirs)
            ours[row.Code].ShouldBe((row.Exposure, row.Headroom, row.Ageing), row.Code);
    }

    [Fact]
    public void An_import_that_is_killed_half_way_leaves_nothing()
    {
        LargeBook.Write(_folder.FullName, accounts: 1000, items: 400_000, today: new(2026, 3, 16));
        var data = Path.Combine(_folder.FullName, "data");
        using (DataFolder.OpenCompany(data)) { }
        using var process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [typeof(WebApp).Assembly.Location, "import", _folder.FullName, "--data", data]
            )
            {
                RedirectStandardOutput = true,
            }
        )!;
        // The first words of progress come when 100,000 rows are in the transaction.
        var line = process.StandardOutput.ReadLine();
        process.Kill(entireProcessTree: true);
        process.WaitForExit();
        line.ShouldNotBeNull().ShouldContain("100,000 rows");
        _books = DataFolder.OpenCompany(data);
        (Count("account"), Count("item"), Count("movement"), Count("entry")).ShouldBe((0, 0, 0, 0));
        _books.Read(Verifier.Check).ShouldBeEmpty();
    }
}
