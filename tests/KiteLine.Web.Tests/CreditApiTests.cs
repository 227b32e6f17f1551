using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using Dapper;
using DuckDB.NET.Data;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The numbers of board, account, group, forecast, check and interface agree on the demo, and equal raw movements.</summary>
public sealed class AgreeingFiguresTests(DemoApp app)
{
    private static decimal Number(JsonElement of, string name) => decimal.Parse(of.GetProperty(name).GetString()!, CultureInfo.InvariantCulture);

    [Fact]
    public async Task Every_account_shows_the_same_figures_wherever_it_is_shown()
    {
        var rows = (await app.Get("/api/accounts?pageSize=200")).GetProperty("items").EnumerateArray().ToList();
        rows.Count.ShouldBe(84);
        await Agree(app, rows.Where((_, i) => i % 4 == 0), "2026-03-01");
    }

    [Fact]
    public async Task So_does_a_large_generated_book_with_orders_groups_and_claims()
    {
        using var large = new TestApp();
        var folder = Path.Combine(large.Folder, "book");
        var today = large.Desk.Today();
        KiteLine.Demo.LargeBook.Write(folder, 3000, 30_000, today);
        new ImportCommand(TextWriter.Null, TextWriter.Null).Run(folder, large.Books, false, false).ShouldBe(0);
        var random = new Random(4);
        large.Books.Write("tests", tx =>
        {
            CompanyStore.Change(tx, CompanyStore.Settings(tx.Connection).WithExposure(new(UnclearedCount: true, DisputedCount: false), today), 1);
            for (var i = 1; i <= 3000; i += 37)
            {
                var account = AccountStore.Get(tx.Connection, $"C{i:D6}");
                var total = Money.Exact(random.Next(100, 9000), account.Currency);
                OrderDesk.Enter(tx, account, new($"SO-{i}", today, total, [new(today.AddDays(random.Next(1, 50)), total.Minor)], Reason: "season"));
                AccountStore.Change(tx, account with { GroupName = $"Group {i % 5}" }, "");
                if (tx.Connection.QueryFirstOrDefault<long?>("SELECT id FROM item WHERE account_id = @Id AND open > 0", new { account.Id }) is { } item) DisputeStore.Raise(tx, account, item, null, "", "came short");
            }

            return 0;
        });
        var rows = (await large.Get("/api/accounts?pageSize=1000&page=2")).GetProperty("items").EnumerateArray().ToList();
        await Agree(large, rows.Where((r, i) => i % 60 == 0 || Number(r, "held") > 0), today.AddDays(-9).ToString("O", CultureInfo.InvariantCulture));
        var all = new List<JsonElement>();
        for (var page = 1; page <= 3; page++) all.AddRange((await large.Get($"/api/accounts?pageSize=1000&page={page}")).GetProperty("items").EnumerateArray());
        foreach (var group in (await large.Get("/api/groups")).EnumerateArray())
            Number(group, "exposure").ShouldBe(all.Where(r => r.GetProperty("group").GetString() == group.GetProperty("name").GetString()).Sum(r => Number(r, "exposure")));
        large.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    private static async Task Agree(TestApp app, IEnumerable<JsonElement> rows, string from)
    {
        foreach (var row in rows)
        {
            var code = row.GetProperty("code").GetString()!;
            var page = (await app.Get($"/api/accounts/{code}")).GetProperty("position");
            foreach (var figure in new[] { "exposure", "headroom", "openItems", "orders", "uncleared", "held", "effectiveLimit", "disputed" }) Number(page, figure).ShouldBe(Number(row, figure), $"{code} {figure}");
            page.GetProperty("passesOn").ToString().ShouldBe(row.GetProperty("passesOn").ToString(), code);
            var workings = (await app.Get($"/api/accounts/{code}/exposure")).GetProperty("workings").EnumerateArray().ToList();
            Worth(workings, "Exposure").ShouldBe(Number(row, "exposure"), code);
            var documents = workings.TakeWhile(w => w.GetProperty("label").GetString() != "Open items").Where(w => w.GetProperty("value").GetString() != "—").Sum(w => Number(w, "value"));
            documents.ShouldBe(Number(row, "openItems"), code);
            var forecast = await app.Get($"/api/accounts/{code}/forecast");
            Number(forecast.GetProperty("course")[0], "exposure").ShouldBe(Number(row, "exposure"), code);
            forecast.GetProperty("passesOn").ToString().ShouldBe(row.GetProperty("passesOn").ToString(), code);
            var course = await app.Get($"/api/accounts/{code}/course?from={from}");
            Number(course[course.GetArrayLength() - 1], "exposure").ShouldBe(Number(row, "exposure"), code);
            var (status, check) = await app.Post("/api/checks", new { account = code, amount = "10.00" });
            status.ShouldBe(200);
            (Number(check, "exposureAfter") - 10).ShouldBe(Number(row, "exposure"), code);
            Number(row.GetProperty("bar").EnumerateArray().Aggregate(0m, (sum, b) => sum + decimal.Parse(b.GetString()!, CultureInfo.InvariantCulture))).ShouldBe(Math.Max(0, Number(row, "exposure")), code);
        }
    }

    private static decimal Number(decimal value) => value;

    private static decimal Worth(List<JsonElement> workings, string label) => Number(workings.Single(w => w.GetProperty("label").GetString() == label), "value");

    [Theory]
    [InlineData("2025-06-30")]
    [InlineData("2025-12-31")]
    [InlineData("2026-03-16")]
    public async Task A_group_is_the_sum_of_its_accounts_by_the_rate_of_the_day(string day)
    {
        foreach (var group in (await app.Get($"/api/groups?asOf={day}")).EnumerateArray())
        {
            var name = Uri.EscapeDataString(group.GetProperty("name").GetString()!);
            var members = (await app.Get($"/api/accounts?asOf={day}&group={name}&pageSize=100")).GetProperty("items").EnumerateArray().ToList();
            var sum = members.Sum(m => m.GetProperty("currency").GetString() == "GBP" ? Number(m, "exposure")
                : Math.Round(Number(m, "exposure") * RateOf(m.GetProperty("currency").GetString()!, day), 2, MidpointRounding.AwayFromZero));
            Number(group, "exposure").ShouldBe(sum, $"{group} on {day}");
            var page = (await app.Get($"/api/groups/{name}?asOf={day}")).GetProperty("group");
            Number(page, "exposure").ShouldBe(sum);
            page.GetProperty("bar").EnumerateArray().Sum(b => decimal.Parse(b.GetString()!, CultureInfo.InvariantCulture)).ShouldBe(Math.Max(0, sum));
        }

        decimal RateOf(string currency, string on) => app.Books.Read(c => decimal.Parse(c.ExecuteScalar<string>(
            "SELECT rate FROM exchange_rate WHERE currency = @currency AND on_date <= @on ORDER BY on_date DESC, id DESC LIMIT 1", new { currency, on })!, CultureInfo.InvariantCulture));
    }

    [Theory]
    [InlineData("2025-09-30")]
    [InlineData("2026-01-31")]
    [InlineData("2026-03-13")]
    [InlineData("2026-03-16")]
    public async Task Exposure_equals_a_recomputation_from_raw_movements_receipts_and_orders(string day)
    {
        // Source of the other side: DuckDB, by plain SQL over the raw rows: items by value date as posted by the day,
        // receipts that have not cleared, the last step of each order.
        using var duck = new DuckDBConnection("Data Source=:memory:");
        duck.Open();
        var folder = Directory.CreateTempSubdirectory("kiteline-duck");
        try
        {
            foreach (var table in new[] { "account", "item", "movement", "entry", "document", "sales_order", "order_step" }) Load(duck, table, folder);
            var sums = duck.Query<(string Code, long Items, long Uncleared, long Orders)>(
                $"""
                WITH items AS (SELECT i.account_id, sum(m.amount) amount FROM item i JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                               WHERE i.date <= '{day}' AND m.value_date <= '{day}' AND (e.account_id IS NULL OR e.posting_date <= '{day}') GROUP BY 1),
                     uncleared AS (SELECT d.account_id, sum(d.net) amount FROM document d JOIN entry e ON e.id = d.entry_id
                                   WHERE d.clears_on > '{day}' AND d.date <= '{day}' AND e.posting_date <= '{day}'
                                     AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id AND r.posting_date <= '{day}') GROUP BY 1),
                     last AS (SELECT o.account_id, s.*, row_number() OVER (PARTITION BY s.order_id ORDER BY s.seq DESC) n FROM sales_order o JOIN order_step s ON s.order_id = o.id WHERE s.on_date <= '{day}'),
                     orders AS (SELECT account_id, sum(CASE WHEN is_over = 1 OR until_date < '{day}' THEN 0 ELSE greatest(0, approved - invoiced) END) amount FROM last WHERE n = 1 GROUP BY 1)
                SELECT a.code, CAST(coalesce(i.amount, 0) AS BIGINT), CAST(coalesce(u.amount, 0) AS BIGINT), CAST(coalesce(o.amount, 0) AS BIGINT)
                FROM account a LEFT JOIN items i ON i.account_id = a.id LEFT JOIN uncleared u ON u.account_id = a.id LEFT JOIN orders o ON o.account_id = a.id
                """).ToDictionary(r => r.Code);
            sums.Count.ShouldBe(84);
            if (day == "2026-03-16") sums.Values.Sum(x => x.Orders).ShouldBeGreaterThan(0);
            foreach (var row in (await app.Get($"/api/accounts?asOf={day}&pageSize=200")).GetProperty("items").EnumerateArray())
            {
                var sum = sums[row.GetProperty("code").GetString()!];
                ((long)(Number(row, "openItems") * 100), (long)(Number(row, "uncleared") * 100), (long)(Number(row, "orders") * 100)).ShouldBe((sum.Items, sum.Uncleared, sum.Orders), $"{row.GetProperty("code")} on {day}");
            }
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    private void Load(DuckDBConnection duck, string table, DirectoryInfo folder)
    {
        var path = Path.Combine(folder.FullName, $"{table}.csv");
        var columns = table switch
        {
            "account" => "id, code",
            "item" => "id, account_id, date",
            "document" => "id, account_id, entry_id, date, net, clears_on",
            "entry" => "id, account_id, posting_date, reverses",
            "movement" => "item_id, entry_id, value_date, amount",
            "sales_order" => "id, account_id",
            _ => "order_id, seq, on_date, total, approved, invoiced, until_date, is_over"
        };
        var rows = app.Books.Read(c => c.Query($"SELECT {columns} FROM {table}").Cast<IDictionary<string, object?>>().ToList());
        File.WriteAllLines(path, [columns.Replace(" ", "", StringComparison.Ordinal), .. rows.Select(r => string.Join(',', r.Values.Select(v => Convert.ToString(v, CultureInfo.InvariantCulture))))]);
        var types = string.Join(", ", columns.Split(", ").Select(c => $"'{c}': '{(c is "code" || c.Contains("date", StringComparison.Ordinal) || c == "clears_on" ? "VARCHAR" : "BIGINT")}'"));
        using var command = duck.CreateCommand();
        command.CommandText = $"CREATE TABLE {table} AS SELECT * FROM read_csv('{path}', header = true, columns = {{{types}}})";
        command.ExecuteNonQuery();
    }

    [Fact]
    public async Task Today_ranks_by_money_at_risk_and_names_what_the_board_counts()
    {
        var today = await app.Get("/api/today");
        var ranked = today.GetProperty("items").EnumerateArray().Select(e => Number(e, "atRiskAtHome")).ToList();
        ranked.ShouldBe(ranked.OrderDescending());
        var counts = (await app.Get("/api/accounts?pageSize=1")).GetProperty("counts");
        var groupsOver = (await app.Get("/api/groups")).EnumerateArray().Count(g => g.GetProperty("hasLimit").GetBoolean() && Number(g, "headroom") < 0);
        today.GetProperty("counts").GetProperty("overLimit").GetInt32().ShouldBe(counts.GetProperty("over-limit").GetInt32() + groupsOver);
        today.GetProperty("counts").GetProperty("willPass").GetInt32().ShouldBe(counts.GetProperty("will-pass").GetInt32());
        today.GetProperty("counts").GetProperty("heldOrder").GetInt32().ShouldBe((await app.Get("/api/orders")).GetProperty("held").GetInt32());
        foreach (var kind in today.GetProperty("counts").EnumerateObject()) kind.Value.GetInt32().ShouldBeGreaterThan(kind.Name == "promiseDue" ? 1 : 2, $"{kind.Name} is shown by the demo");
    }

    [Theory]
    [InlineData("owner=R.%20Adeyemi")]
    [InlineData("state=watch,stop&utilisationFrom=50")]
    [InlineData("overdueFrom=5000&ageFrom=60")]
    [InlineData("field=region:Estuary&utilisationTo=80")]
    [InlineData("reviewBy=2026-06-30")]
    [InlineData("promise=broken&state=watch")]
    [InlineData("group=Fairwater%20Group&filter=overdue")]
    public async Task Conditions_combine_and_every_row_holds_to_all_of_them(string query)
    {
        var all = (await app.Get("/api/accounts?pageSize=200")).GetProperty("items").EnumerateArray().ToList();
        var found = (await app.Get($"/api/accounts?pageSize=200&{query}")).GetProperty("items").EnumerateArray().ToList();
        found.Count.ShouldBeInRange(1, 60);
        var wanted = query.Split('&').Select(p => p.Split('=')).ToDictionary(p => p[0], p => Uri.UnescapeDataString(p[1]));
        bool Holds(JsonElement r) => wanted.All(w => w.Key switch
        {
            "owner" => r.GetProperty("owner").GetString() == w.Value,
            "state" => w.Value.Split(',').Contains(r.GetProperty("state").GetString()),
            "utilisationFrom" => r.GetProperty("utilisation").GetDecimal() * 100 >= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
            "utilisationTo" => r.GetProperty("utilisation").GetDecimal() * 100 <= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
            "overdueFrom" => Number(r, "overdue") >= decimal.Parse(w.Value, CultureInfo.InvariantCulture),
            "ageFrom" => r.GetProperty("oldestDays").GetInt32() >= int.Parse(w.Value, CultureInfo.InvariantCulture),
            "field" => r.GetProperty("fields").GetProperty("region").GetString() == "Estuary",
            "reviewBy" => r.GetProperty("reviewOn").GetString() is { } on && string.CompareOrdinal(on, w.Value) <= 0,
            "promise" => r.GetProperty("promise").GetString() == w.Value,
            "group" => r.GetProperty("group").GetString()!.StartsWith("Fairwater", StringComparison.Ordinal),
            "filter" => Number(r, "overdue") > 0,
            _ => false,
        });
        found.Select(r => r.GetProperty("code").GetString()).ShouldBe(all.Where(Holds).Select(r => r.GetProperty("code").GetString()));
    }

    [Fact]
    public async Task The_change_since_a_day_is_the_difference_of_two_boards()
    {
        var then = (await app.Get("/api/accounts?pageSize=200&asOf=2026-02-16")).GetProperty("items").EnumerateArray().ToDictionary(r => r.GetProperty("code").GetString()!, r => Number(r, "exposure"));
        var rows = (await app.Get("/api/accounts?pageSize=200&since=2026-02-16&sort=-change")).GetProperty("items").EnumerateArray().ToList();
        foreach (var row in rows) Number(row, "change").ShouldBe(Number(row, "exposure") - then[row.GetProperty("code").GetString()!]);
        rows.Select(r => Number(r, "change")).ShouldBe(rows.Select(r => Number(r, "change")).OrderDescending());
    }
}

public sealed class CreditApiTests : IDisposable
{
    private readonly TestApp _app = new();
    private readonly DateOnly _today;

    public CreditApiTests()
    {
        _today = _app.Desk.Today();
        _app.Books.Write("tests", tx => AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1000)));
    }

    public void Dispose() => _app.Dispose();

    private static string Text(JsonElement of, string name) => of.GetProperty(name).ToString();

    private Task<(int Status, JsonElement Body)> Enter(string number, string total, string? key = null, object? more = null) =>
        _app.Post("/api/accounts/PEL01/orders", more ?? new { number, total }, key is null ? [] : [("Idempotency-Key", key)]);

    private async Task<(int Status, JsonElement Body)> File(string format, string content, bool preview)
    {
        using var body = new StringContent(content, Encoding.UTF8, "application/octet-stream");
        using var response = await _app.Client.PostAsync(new Uri($"/api/orders/file?format={format}&preview={preview}", UriKind.Relative), body);
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    [Fact]
    public async Task An_order_is_checked_taken_once_and_decided_by_the_step_that_was_seen()
    {
        var preview = await _app.Post("/api/accounts/PEL01/orders?preview=true", new { number = "SO-1", total = "1200" });
        preview.Status.ShouldBe(200);
        Text(preview.Body.GetProperty("check"), "answer").ShouldBe("refuse");
        (await _app.Get("/api/orders?show=all")).GetProperty("total").GetInt32().ShouldBe(0);
        var first = await Enter("SO-1", "1200", "k1");
        Text(first.Body.GetProperty("order"), "state").ShouldBe("held");
        // Sent again after a lost answer: the same order, not a second.
        (await Enter("SO-1", "1200", "k1")).Body.GetProperty("order").GetProperty("id").GetInt64().ShouldBe(first.Body.GetProperty("order").GetProperty("id").GetInt64());
        (await Enter("SO-1", "1300", "k1")).Status.ShouldBe(400);
        var id = first.Body.GetProperty("order").GetProperty("id").GetInt64();
        (await _app.Post($"/api/orders/{id}/release", new { reason = "agreed" })).Status.ShouldBe(400);
        var release = await _app.Post($"/api/orders/{id}/release", new { amount = "700", until = _today.ToString("O", CultureInfo.InvariantCulture), reason = "agreed" }, ("If-Match", "1"));
        release.Status.ShouldBe(200, release.Body.ToString());
        (Text(release.Body.GetProperty("order"), "state"), Text(release.Body.GetProperty("order"), "held")).ShouldBe(("partHeld", "500.00"));
        (await _app.Post($"/api/orders/{id}/decline", new { reason = "too late" }, ("If-Match", "1"))).Status.ShouldBe(412);
        var page = await _app.Get($"/api/orders/{id}");
        page.GetProperty("events").GetArrayLength().ShouldBe(2);
        Text(page.GetProperty("after"), "orders").ShouldBe("1200.00");
    }

    [Fact]
    public async Task What_is_wrong_with_an_order_names_its_field()
    {
        (await _app.Refused("/api/accounts/PEL01/orders", new { number = "", total = "abc", currency = "XXQ", date = "soon", deliveries = new[] { new { on = "x", amount = "-1" } } }))
            .ShouldBe(["number", "date", "currency", "total", "deliveries[0].on", "deliveries[0].amount"], ignoreOrder: true);
        (await _app.Refused("/api/accounts/PEL01/orders", new { number = "A", total = "10", currency = "EUR" })).ShouldBe(["currency"]);
        (await _app.Refused("/api/checks", new { account = "PEL01", amount = "1.005" })).ShouldBe(["amount"]);
        (await _app.Refused("/api/checks", new { account = "", amount = "" })).ShouldContain("account");
        (await _app.Post("/api/checks", new { account = "NOBODY", amount = "1" })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task Another_system_asks_with_a_key_and_nothing_is_stored()
    {
        var key = (await _app.Post("/api/keys", new { name = "shop", role = "viewer" })).Body.GetProperty("secret").GetString()!;
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Authorization = new("Bearer", key);
        using var content = new StringContent("""{"account":"PEL01","amount":1000.01}""", Encoding.UTF8, "application/json");
        using var response = await client.PostAsync(new Uri("/api/checks", UriKind.Relative), content);
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        var check = JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement;
        Text(check, "answer").ShouldBe("refuse");
        check.GetProperty("findings").EnumerateArray().Select(f => Text(f, "kind")).ShouldBe(["overLimit", "termsNotConfirmed"]);
        Text(check.GetProperty("findings")[0], "beyond").ShouldBe("0.01");
        using var order = new StringContent("""{"number":"S","total":"1"}""", Encoding.UTF8, "application/json");
        (await client.PostAsync(new Uri("/api/accounts/PEL01/orders", UriKind.Relative), order)).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task Orders_come_in_from_a_table_with_their_deliveries()
    {
        const string Csv = "account,number,date,amount,delivery,currency\nPEL01,A-1,2026-03-01,100.00,2026-04-01,\npel01,A-1,2026-03-01,50.00,2026-05-01,\nPEL01,A-2,2026-03-01,900.00,,\nPEL01,A-3,2026-03-01,1,,EUR\nPEL01,A-4,2026-03-01,1,,XXQ\nNOBODY,A-5,2026-03-01,1,,\nPEL01,A-6,1 March,0,,\n";
        var (status, shown) = await File("csv", Csv, preview: true);
        status.ShouldBe(200);
        shown.GetProperty("rows").EnumerateArray().Select(r => $"{Text(r, "number")} {Text(r, "outcome")}").ShouldBe(["A-1 approved", "A-2 held", "A-3 refused", "A-4 refused", "A-5 refused", " refused", " refused"]);
        (await _app.Get("/api/orders?show=all")).GetProperty("total").GetInt32().ShouldBe(0);
        var good = string.Join('\n', Csv.Split('\n').Take(4)) + "\n";
        (await File("csv", good, preview: false)).Body.GetProperty("stored").GetBoolean().ShouldBeTrue();
        var orders = (await _app.Get("/api/orders?show=all")).GetProperty("items").EnumerateArray().ToDictionary(o => Text(o, "number"));
        orders["A-1"].GetProperty("deliveries").GetArrayLength().ShouldBe(2);
        Text(orders["A-1"], "total").ShouldBe("150.00");
        // The second is judged with the first in the books.
        orders["A-2"].GetProperty("findings").EnumerateArray().Select(f => Text(f, "kind")).ShouldContain("overLimit");
        var sheet = await _app.Client.GetStringAsync(new Uri("/api/orders/export?show=all&format=csv", UriKind.Relative));
        sheet.Split("\r\n")[0].ShouldContain("Account,Name,Order");
        sheet.ShouldContain("PEL01,Pellworm Sail Loft,A-1,2026-03-01,approved,GBP,150");
        (await File("csv", "number,date\n", true)).Status.ShouldBe(400);
        (await File("pdf", "x", true)).Status.ShouldBe(400);
    }

    // The structure is that of the OASIS standard, from memory; the values are invented.
    private const string Ubl = """
        <?xml version="1.0" encoding="UTF-8"?>
        <Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2" xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2" xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
          <cbc:UBLVersionID>2.1</cbc:UBLVersionID><cbc:ID>PO-77</cbc:ID><cbc:IssueDate>2026-03-02</cbc:IssueDate><cbc:CustomerReference>spring</cbc:CustomerReference><cbc:DocumentCurrencyCode>GBP</cbc:DocumentCurrencyCode>
          <cac:BuyerCustomerParty><cac:Party><cac:PartyName><cbc:Name>Pellworm Sail Loft</cbc:Name></cac:PartyName></cac:Party></cac:BuyerCustomerParty>
          <cac:Delivery><cac:RequestedDeliveryPeriod><cbc:StartDate>2026-04-01</cbc:StartDate><cbc:EndDate>2026-04-03</cbc:EndDate></cac:RequestedDeliveryPeriod></cac:Delivery>
          <cac:AnticipatedMonetaryTotal><cbc:PayableAmount currencyID="GBP">360.00</cbc:PayableAmount></cac:AnticipatedMonetaryTotal>
          <cac:OrderLine><cac:LineItem><cbc:ID>1</cbc:ID><cbc:LineExtensionAmount currencyID="GBP">300.00</cbc:LineExtensionAmount><cbc:TotalTaxAmount currencyID="GBP">60.00</cbc:TotalTaxAmount></cac:LineItem></cac:OrderLine>
        </Order>
        """;

    [Fact]
    public async Task An_order_comes_in_as_UBL()
    {
        var (status, result) = await File("ubl", Ubl, preview: false);
        (status, result.GetProperty("approved").GetInt32()).ShouldBe((200, 1));
        var order = (await _app.Get("/api/orders?show=all")).GetProperty("items")[0];
        (Text(order, "number"), Text(order, "total"), Text(order, "reference"), Text(order.GetProperty("deliveries")[0], "on"), Text(order, "source")).ShouldBe(("PO-77", "360.00", "spring", "2026-04-03", "ubl"));
        // Without a total its lines with their tax are it.
        var (_, lines) = await File("ubl", Ubl.Replace("PO-77", "PO-78", StringComparison.Ordinal).Replace("AnticipatedMonetaryTotal", "Note", StringComparison.Ordinal), preview: true);
        Text(lines.GetProperty("rows")[0].GetProperty("check"), "asked").ShouldBe("360.00");
    }

    [Theory]
    [InlineData("PO-77", "", "lacks ID")]
    [InlineData("2026-03-02", "soon", "no date")]
    [InlineData("<cbc:PayableAmount currencyID=\"GBP\">", "<cbc:PayableAmount currencyID=\"EUR\">", "is in EUR")]
    [InlineData("360.00", "many", "no amount")]
    [InlineData("xsd:Order-2", "xsd:Invoice-2", "no UBL 2.1 Order")]
    [InlineData("</Order>", "", "no XML")]
    [InlineData("<Order ", "<!DOCTYPE o [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><Order ", "no XML")]
    public async Task A_file_that_is_no_order_says_what_it_lacks(string what, string instead, string message)
    {
        var (status, problem) = await File("ubl", Ubl.Replace(what, instead, StringComparison.Ordinal), preview: true);
        status.ShouldBe(400);
        Text(problem, "detail").ShouldContain(message);
    }

    [Fact]
    public async Task An_invoice_is_made_of_an_order_through_the_interface_and_counts_once()
    {
        var order = (await Enter("SO-1", "600")).Body.GetProperty("order");
        var invoice = new { net = "300", tax = "60", orderId = order.GetProperty("id").GetInt64(), orderSeq = 1 };
        (await _app.Post("/api/accounts/PEL01/invoices?preview=true", invoice)).Status.ShouldBe(200);
        var posted = await _app.Post("/api/accounts/PEL01/invoices", invoice, ("Idempotency-Key", "i1"));
        posted.Status.ShouldBe(200, posted.Body.ToString());
        (Text(posted.Body.GetProperty("after"), "exposure"), Text(posted.Body.GetProperty("after"), "orders")).ShouldBe(("600.00", "240.00"));
        (await _app.Post("/api/accounts/PEL01/invoices", invoice, ("Idempotency-Key", "i1"))).Body.GetProperty("sentBefore").GetBoolean().ShouldBeTrue();
        (await _app.Post("/api/accounts/PEL01/invoices", invoice)).Status.ShouldBe(412);
        (await _app.Refused("/api/accounts/PEL01/invoices", new { net = "1000.01" })).ShouldBe(["net"]);
        Text((await _app.Get("/api/accounts")).GetProperty("items")[0], "exposure").ShouldBe("600.00");
    }

    [Fact]
    public async Task Limits_above_authority_are_asked_for_and_answered_through_the_interface()
    {
        _app.Books.Write("tests", tx => UserStore.Add(tx, new() { Name = "small", FullName = "S. Mall", Role = Role.Controller, Authority = new(1500, 0, 0, 0) }, Passwords.Hash(TestApp.Password)));
        using var small = _app.Nobody();
        small.DefaultRequestHeaders.Add("Cookie", _app.Cookie("small"));
        using var ask = await small.PostAsync(new Uri("/api/accounts/PEL01/limit", UriKind.Relative), new StringContent(JsonSerializer.Serialize(new { amount = "2000", from = _today.ToString("O", CultureInfo.InvariantCulture), reason = "more" }), Encoding.UTF8, "application/json"));
        var asked = JsonDocument.Parse(await ask.Content.ReadAsStringAsync()).RootElement;
        Text(asked, "outcome").ShouldBe("asked");
        var id = asked.GetProperty("request").GetProperty("id").GetInt64();
        (await small.PostAsync(new Uri($"/api/limit-requests/{id}/approve", UriKind.Relative), new StringContent("{}", Encoding.UTF8, "application/json"))).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await _app.Get("/api/today")).GetProperty("counts").GetProperty("approval").GetInt32().ShouldBe(1);
        Text((await _app.Post($"/api/limit-requests/{id}/approve", new { reason = "" })).Body, "state").ShouldBe("approved");
        Text((await _app.Get("/api/accounts")).GetProperty("items")[0], "limit").ShouldBe("2000.00");
        (await _app.Post($"/api/limit-requests/{id}/refuse", new { reason = "x" })).Status.ShouldBe(400);
        (await _app.Post("/api/limit-requests/999/withdraw", new { })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task Groups_rates_views_and_what_is_put_off_are_kept()
    {
        (await _app.Post("/api/groups", new { name = "Windlass", currency = "EUR" })).Status.ShouldBe(200);
        (await _app.Refused("/api/groups", new { name = "windlass" })).ShouldBe(["name"]);
        (await _app.Send(HttpMethod.Put, "/api/groups/Windlass", new { parent = "Windlass" }, ("If-Match", "1"))).Status.ShouldBe(400);
        (await _app.Post("/api/groups/Windlass/limit", new { amount = "500", from = _today.ToString("O", CultureInfo.InvariantCulture), reason = "together" })).Status.ShouldBe(200);
        _app.Books.Write("tests", tx => AccountStore.Change(tx, AccountStore.Get(tx.Connection, "PEL01") with { GroupName = "Windlass" }, ""));
        Text((await _app.Post("/api/checks", new { account = "PEL01", amount = "1" })).Body.GetProperty("findings")[0], "text").ShouldContain("no rate of EUR");
        (await _app.Refused("/api/rates", new { rates = new[] { new { currency = "ZZZ", date = "x", rate = "-1" } } })).ShouldBe(["rates[0].currency", "rates[0].date", "rates[0].rate"], ignoreOrder: true);
        (await _app.Post("/api/rates", new { rates = new[] { new { currency = "EUR", date = _today.ToString("O", CultureInfo.InvariantCulture), rate = "0.8" } } })).Body.GetProperty("added").GetInt32().ShouldBe(1);
        (await _app.Post("/api/rates/feed", new { })).Body.GetProperty("added").GetInt32().ShouldBeGreaterThan(50);
        Text((await _app.Post("/api/checks", new { account = "PEL01", amount = "460" })).Body.GetProperty("findings")[0], "kind").ShouldBe("groupOverLimit");

        (await _app.Post("/api/views", new { name = "Mine", query = "filter=stop" })).Body[0].GetProperty("mine").GetBoolean().ShouldBeTrue();
        (await _app.Refused("/api/views", new { name = "", query = "" })).ShouldBe(["name"]);
        (await _app.Post("/api/views/999/drop", new { })).Status.ShouldBe(404);

        await Enter("SO-1", "5000");
        var entry = (await _app.Get("/api/today")).GetProperty("items")[0];
        (await _app.Refused("/api/today/put-off", new { key = Text(entry, "key"), until = _today.ToString("O", CultureInfo.InvariantCulture) })).ShouldBe(["until"]);
        var off = (await _app.Post("/api/today/put-off", new { key = Text(entry, "key"), until = _today.AddDays(2).ToString("O", CultureInfo.InvariantCulture) })).Body;
        (off.GetProperty("total").GetInt32(), off.GetProperty("putOff").GetArrayLength()).ShouldBe((1, 1));
        // On its date it is back.
        _app.Books.Write("tests", tx => CompanyStore.Change(tx, CompanyStore.Settings(tx.Connection) with { PinnedBusinessDate = _today.AddDays(2) }, CompanyStore.Get(tx.Connection).Version));
        (await _app.Get("/api/today")).GetProperty("items").EnumerateArray().ShouldContain(e => Text(e, "key") == Text(entry, "key"));
    }
}
