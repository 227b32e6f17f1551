using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>What is exported from the demo can be brought in again unchanged, in every format and kind.</summary>
public sealed class ExchangeRoundTripTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    public static IEnumerable<TheoryDataRow<string, string>> KindsAndFormats() =>
        from kind in new[]
        {
            "customers",
            "terms",
            "late-charges",
            "reminder-plans",
            "tax-codes",
            "reference-rates",
            "calendars",
        }
        from format in new[] { "csv", "xlsx", "json" }
        select new TheoryDataRow<string, string>(kind, format);

    [Theory]
    [MemberData(nameof(KindsAndFormats))]
    public async Task What_is_exported_comes_in_again_as_the_same(string kind, string format)
    {
        var file = await Demo.Client.GetByteArrayAsync(
            new Uri($"/api/exchange/{kind}?format={format}", UriKind.Relative)
        );
        var result = await Exchange.Send(Demo, kind, format, file, preview: true);
        var problems = result.GetProperty("rows").ToString();
        result.GetProperty("refused").GetInt32().ShouldBe(0, problems);
        (result.GetProperty("new").GetInt32(), result.GetProperty("changed").GetInt32()).ShouldBe((0, 0), problems);
        result
            .GetProperty("same")
            .GetInt32()
            .ShouldBe(Demo.Books.Read(c => kind == "customers" ? 84 : Policies(c, kind)));
    }

    /// <summary>
    /// Into books that have none of it, everything is new, and the export of the one is the export of the other.
    /// </summary>
    [Theory]
    [InlineData("csv")]
    [InlineData("xlsx")]
    [InlineData("json")]
    public async Task A_whole_company_moves_into_new_books(string format)
    {
        using var other = new TestApp();
        await Exchange.CopySettings(Demo, other);
        foreach (
            var kind in new[]
            {
                "terms",
                "tax-codes",
                "reference-rates",
                "calendars",
                "late-charges",
                "reminder-plans",
                "customers",
            }
        )
        {
            var file = await Demo.Client.GetByteArrayAsync(
                new Uri($"/api/exchange/{kind}?format={format}", UriKind.Relative)
            );
            var result = await Exchange.Send(other, kind, format, file, preview: false);
            (result.GetProperty("refused").GetInt32(), result.GetProperty("stored").GetBoolean()).ShouldBe(
                (0, true),
                $"{kind}: {result.GetProperty("rows")}"
            );
            var (here, there) = (await Exchange.Json(Demo, kind), await Exchange.Json(other, kind));
            // New books have terms of their own from the start.
            foreach (var record in here)
                there.ShouldContain(record, kind);
        }

        other.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    private static int Policies(Microsoft.Data.Sqlite.SqliteConnection connection, string kind) =>
        (int)
            Dapper.SqlMapper.ExecuteScalar<long>(
                connection,
                "SELECT count(*) FROM policy WHERE is_current AND kind = @kind",
                new { kind = kind is "terms" ? "terms" : kind.TrimEnd('s') }
            );
}

/// <summary>Files that need correction, and files that change what is there.</summary>
public sealed class ExchangeTests : IDisposable
{
    private readonly TestApp _app = new();

    public ExchangeTests() =>
        _app.Post("/api/accounts", new { name = "Pellworm", limit = "500" }).GetAwaiter().GetResult();

    public void Dispose() => _app.Dispose();

    private Task<JsonElement> Send(string kind, string text, bool preview = false, string extra = "") =>
        Exchange.Send(_app, kind, "csv", Encoding.UTF8.GetBytes(text), preview, extra);

    private static string[] Problems(JsonElement result) =>
        [
            .. result
                .GetProperty("rows")
                .EnumerateArray()
                .SelectMany(r =>
                    r.GetProperty("problems")
                        .EnumerateArray()
                        .Select(p => $"{r.GetProperty("row")} {p.GetProperty("field").GetString()}")
                ),
        ];

    [Fact]
    public async Task Customers_come_in_new_or_changed_and_say_what_changes()
    {
        const string File =
            "code,name,limit,state,contacts[0].name,contacts[0].email,identifiers[0].scheme,identifiers[0].number\r\n"
            + "PEL01,Pellworm Lofts,750.00,watch,Ada,ada@pellworm.example,,\r\n,Oxbow,,,,,VAT-DE,DE 136 695 976\r\n";
        var preview = await Send("customers", File, preview: true);
        (
            preview.GetProperty("new").GetInt32(),
            preview.GetProperty("changed").GetInt32(),
            preview.GetProperty("stored").GetBoolean()
        ).ShouldBe((1, 1, false));
        preview
            .GetProperty("rows")[0]
            .GetProperty("changes")
            .EnumerateArray()
            .Select(c => c.GetProperty("what").GetString())
            .ShouldBe(
                ["name", "limit", "state", "contacts[0].name", "contacts[0].email", "contacts[0].active"],
                ignoreOrder: true
            );
        $"{preview.GetProperty("rows")[1].GetProperty("code")} {preview.GetProperty("rows")[1].GetProperty("name")}".ShouldBe(
            "OXB01 Oxbow"
        );
        (await _app.Get("/api/accounts")).GetProperty("total").GetInt32().ShouldBe(1);

        (await Send("customers", File)).GetProperty("stored").GetBoolean().ShouldBeTrue();
        var board = (await _app.Get("/api/accounts"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(r => $"{r.GetProperty("code")} {r.GetProperty("limit")} {r.GetProperty("state")}");
        board.ShouldBe(["OXB01 1000.00 open", "PEL01 750.00 watch"]);
        var pellworm = (await _app.Get("/api/accounts/PEL01/customer")).GetProperty("customer");
        pellworm.GetProperty("contacts")[0].GetProperty("email").GetString().ShouldBe("ada@pellworm.example");
        (await _app.Get("/api/accounts/OXB01/customer"))
            .GetProperty("customer")
            .GetProperty("identifiers")[0]
            .GetProperty("number")
            .GetString()
            .ShouldBe("DE136695976");

        // An empty cell clears, and what has no column stays.
        await Send("customers", "code,contacts[0].name,owner\r\nPEL01,,\r\n");
        (await _app.Get("/api/accounts/PEL01/customer"))
            .GetProperty("customer")
            .GetProperty("contacts")
            .GetArrayLength()
            .ShouldBe(0);
        (await _app.Get("/api/accounts/PEL01/customer"))
            .GetProperty("customer")
            .GetProperty("name")
            .GetString()
            .ShouldBe("Pellworm Lofts");
    }

    [Fact]
    public async Task The_columns_of_the_command_are_understood_too()
    {
        await _app.Post(
            "/api/policies/late-charges",
            new
            {
                code = "STD",
                name = "Standard",
                policy = new
                {
                    rates = new[] { new { from = "2000-01-01", annualRate = "12" } },
                    dayCount = "act/365f",
                },
            }
        );
        (await Send("customers", "name;late_charge_policy\r\nOxbow;STD\r\n")).GetProperty("new").GetInt32().ShouldBe(1);
        (await _app.Get("/api/accounts/OXB01"))
            .GetProperty("account")
            .GetProperty("lateChargePolicy")
            .GetString()
            .ShouldBe("STD");
    }

    [Fact]
    public async Task One_bad_row_stores_nothing_unless_the_good_ones_are_accepted()
    {
        const string File =
            "code,name,limit,currency,email,terms\r\nA1,Alder,-5,XXX,nobody,n/30\r\nB1,Bittern,100,GBP,,2/40 "
            + "n/30\r\nC1,Cormorant,100,GBP,,n/30\r\nC1,Twice,,,,\r\nPEL01,,12.345,EUR,,\r\n";
        var result = await Send("customers", File);
        result.GetProperty("stored").GetBoolean().ShouldBeFalse();
        Problems(result)
            .ShouldBe(
                ["2 currency", "2 limit", "2 email", "3 terms", "5 code", "6 currency", "6 name", "6 terms", "6 limit"],
                ignoreOrder: true
            );
        (await _app.Get("/api/accounts")).GetProperty("total").GetInt32().ShouldBe(1);
        (await Send("customers", File, extra: "&acceptGood=true")).GetProperty("stored").GetBoolean().ShouldBeTrue();
        (await _app.Get("/api/accounts"))
            .GetProperty("items")
            .EnumerateArray()
            .Select(r => r.GetProperty("code").GetString())
            .ShouldBe(["C1", "PEL01"]);
        // A refused row leaves no terms behind either.
        (await _app.Get("/api/policies/terms"))
            .EnumerateArray()
            .Select(t => t.GetProperty("code").GetString())
            .ShouldNotContain("2/40 n/30");
    }

    [Fact]
    public async Task Policies_come_in_as_new_versions_under_the_checks_of_the_screens()
    {
        const string Columns = "code,name,text,conditions.base,conditions.graceDays,conditions.partPayments\r\n";
        (await Send("terms", Columns + "HOUSE,House,2/10 n/30,net,3,yes\r\n"))
            .GetProperty("new")
            .GetInt32()
            .ShouldBe(1);
        var again = await Send("terms", Columns + "HOUSE,House,2/10 n/45,net,3,yes\r\n");
        again.GetProperty("rows")[0].GetProperty("changes")[0].ToString().ShouldContain("2/10 n/45");
        var stored = (await _app.Get("/api/policies/terms"))
            .EnumerateArray()
            .Single(t => t.GetProperty("code").GetString() == "HOUSE");
        (
            stored.GetProperty("version").GetInt32(),
            stored.GetProperty("conditions").GetProperty("base").GetString(),
            stored.GetProperty("conditions").GetProperty("partPayments").GetBoolean()
        ).ShouldBe((2, "net", true));
        Problems(await Send("terms", Columns + "BAD,Bad,2/40 n/30,net,3,yes\r\nWORSE,Worse,n/30,moon,many,perhaps\r\n"))
            .ShouldBe(["2 text", "3 conditions.graceDays"]);
        Problems(
                await Send(
                    "late-charges",
                    "code,policy.rates[0].from,policy.rates[0].annualRate,policy.dayCount\r\nX,2020-01-01,2000,act/1\r\n"
                )
            )
            .ShouldBe(["2 policy.rates[0].annualRate", "2 policy.dayCount"], ignoreOrder: true);
    }

    [Theory]
    [InlineData("csv", "", "file")]
    [InlineData("csv", "code,name\r\n", "file")]
    [InlineData("csv", "code,code\r\nA,B\r\n", "file")]
    [InlineData("csv", "code,rates[x].from\r\nA,B\r\n", "file")]
    [InlineData("xlsx", "this is no workbook", "file")]
    [InlineData("json", "{", "file")]
    [InlineData("json", "{}", "file")]
    [InlineData("odt", "x", "format")]
    public async Task A_file_that_cannot_be_read_says_why(string format, string text, string field)
    {
        var (status, problem) = await Exchange.TrySend(_app, "customers", format, Encoding.UTF8.GetBytes(text), true);
        status.ShouldBe(400, problem.ToString());
        problem.GetProperty("errors").EnumerateObject().Single().Name.ShouldBe(field);
    }

    [Fact]
    public async Task Rows_that_are_no_records_are_told_by_their_place()
    {
        var (_, list) = await Exchange.TrySend(
            _app,
            "customers",
            "json",
            "[1, {\"name\": \"Oxbow\"}]"u8.ToArray(),
            true
        );
        (list.GetProperty("refused").GetInt32(), list.GetProperty("new").GetInt32()).ShouldBe((1, 1));
        (await Send("customers", "code,name\r\nA1,\"Alder\"x\r\nB1,Bittern,more\r\n", preview: true))
            .GetProperty("refused")
            .GetInt32()
            .ShouldBe(2);
        (await Exchange.TrySend(_app, "people", "csv", "x"u8.ToArray(), true)).Status.ShouldBe(400);
    }

    [Fact]
    public async Task Texts_that_a_spreadsheet_would_run_come_back_as_they_were()
    {
        await _app.Post("/api/accounts", new { name = "=Sum(A1) Boats", address = "+44 Quay\n@Harbour" });
        var csv = Encoding.UTF8.GetString(
            await _app.Client.GetByteArrayAsync(new Uri("/api/exchange/customers?format=csv", UriKind.Relative))
        );
        csv.ShouldContain("'=Sum(A1) Boats");
        (await Send("customers", csv.TrimStart('\uFEFF'), preview: true)).GetProperty("same").GetInt32().ShouldBe(2);
    }
}

/// <summary>Sends and fetches files of records.</summary>
internal static class Exchange
{
    internal static async Task<(int Status, JsonElement Body)> TrySend(
        TestApp app,
        string kind,
        string format,
        byte[] file,
        bool preview,
        string extra = ""
    )
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue(
            format == "csv" ? "text/csv" : "application/octet-stream"
        );
        using var response = await app.Client.PostAsync(
            new Uri(
                $"/api/exchange/{kind}?format={format}&preview={(preview ? "true" : "false")}{extra}",
                UriKind.Relative
            ),
            content
        );
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    internal static async Task<JsonElement> Send(
        TestApp app,
        string kind,
        string format,
        byte[] file,
        bool preview,
        string extra = ""
    )
    {
        var (status, body) = await TrySend(app, kind, format, file, preview, extra);
        status.ShouldBe(200, body.ToString());
        return body;
    }

    internal static async Task<List<string>> Json(TestApp app, string kind) =>
        [
            .. JsonNode
                .Parse(
                    await app.Client.GetByteArrayAsync(new Uri($"/api/exchange/{kind}?format=json", UriKind.Relative))
                )!
                .AsArray()
                .Select(r => r!.ToJsonString()),
        ];

    /// <summary>Fields, groups and methods of the company, which customers name.</summary>
    internal static async Task CopySettings(TestApp from, TestApp to)
    {
        var settings = from.Books.Read(CompanyStore.Settings);
        to.Books.Write(
            "test",
            tx =>
                CompanyStore.Change(
                    tx,
                    CompanyStore.Settings(tx.Connection) with
                    {
                        CustomerFields = settings.CustomerFields,
                        ControlGroups = settings.ControlGroups,
                        PaymentMethods = settings.PaymentMethods,
                    },
                    1
                )
        );
        (await to.Get("/api/company")).GetProperty("version").GetInt32().ShouldBe(2);
    }
}
