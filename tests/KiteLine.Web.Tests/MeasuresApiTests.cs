using System.Globalization;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Measures and leakage of the demo's books against DuckDB over their raw rows.</summary>
public sealed class MeasuresApiTests(SharedDemo demo)
{
    // Of these no account is in another currency.
    private const string Home = "within=controlGroup:HOME";

    private static decimal Figure(JsonElement of, string name) =>
        decimal.Parse(Text(of, name), CultureInfo.InvariantCulture);

    private sealed record Raw(
        long Start,
        long End,
        long NotDue,
        long Sales,
        long Paid,
        long ToPay,
        long Late,
        long Raised,
        long ChargesPaid,
        long Reversed
    );

    private Raw Of(string from, string to)
    {
        using var raw = RawTables.Of(demo.App.Books, "item", "movement", "entry");
        using (var command = raw.Duck.CreateCommand())
        {
            var home = demo.App.Desk.Snapshots.Current.Accounts.Where(a => a.ControlGroup == "HOME").Select(a => a.Id);
            command.CommandText = $"""
                CREATE TABLE m AS SELECT i.kind ik, i.date, i.due, m.kind, m.value_date v, m.amount a,
                    greatest(m.value_date, e.posting_date) shown
                FROM item i JOIN movement m ON m.item_id = i.id JOIN entry e ON e.id = m.entry_id
                WHERE i.account_id IN ({string.Join(", ", home)})
                """;
            command.ExecuteNonQuery();
        }

        string Sum(string what, string where) => $"CAST(coalesce(sum({what}) FILTER ({where}), 0) AS BIGINT)";
        var paid = $"kind = 1 AND ik = 0 AND v BETWEEN '{from}' AND '{to}'";
        var within = $"shown BETWEEN '{from}' AND '{to}'";
        return raw.Duck.QuerySingle<Raw>(
            $"""
            SELECT {Sum("a", $"shown < '{from}'")} "start", {Sum("a", $"shown <= '{to}'")} "end",
                {Sum("a", $"shown <= '{to}' AND due >= '{to}'")} notdue,
                {Sum("a", $"kind = 0 AND ik IN (0, 1) AND {within}")} sales,
                {Sum("-a", paid)} paid,
                {Sum("-a * date_diff('day', CAST(date AS DATE), CAST(v AS DATE))", paid)} topay,
                {Sum("-a * date_diff('day', CAST(due AS DATE), CAST(v AS DATE))", paid)} late,
                {Sum("a", $"kind = 0 AND ik IN (3, 4) AND a > 0 AND {within}")} raised,
                {Sum("-a", $"kind = 1 AND ik IN (3, 4) AND {within}")} chargespaid,
                {Sum("-a", $"kind = 0 AND ik IN (3, 4) AND a < 0 AND {within}")} reversed
            FROM m
            """
        );
    }

    [Theory]
    [InlineData("2026-01-01", "2026-03-16")]
    [InlineData("2025-06-10", "2025-11-20")]
    [InlineData("2024-09-01", "2024-12-31")]
    public async Task They_equal_a_recomputation_from_the_raw_rows(string from, string to)
    {
        var raw = Of(from, to);
        raw.Sales.ShouldBeGreaterThan(0);
        var m = await demo.App.Get($"/api/measures?{Home}&from={from}&to={to}");
        Figure(m, "receivablesStart").ShouldBe(raw.Start / 100m);
        Figure(m, "receivablesEnd").ShouldBe(raw.End / 100m);
        Figure(m, "notDueEnd").ShouldBe(raw.NotDue / 100m);
        Figure(m, "sales").ShouldBe(raw.Sales / 100m);
        Figure(m, "chargesRaised").ShouldBe(raw.Raised / 100m);
        Figure(m, "chargesPaid").ShouldBe(raw.ChargesPaid / 100m);
        Figure(m, "chargesReversed").ShouldBe(raw.Reversed / 100m);
        var days =
            DateOnly.Parse(to, CultureInfo.InvariantCulture).DayNumber
            - DateOnly.Parse(from, CultureInfo.InvariantCulture).DayNumber
            + 1;
        Figure(m, "dso").ShouldBe(Math.Round((decimal)raw.End * days / raw.Sales, 4, MidpointRounding.AwayFromZero));
        Figure(m, "daysToPay").ShouldBe(Math.Round((decimal)raw.ToPay / raw.Paid, 4, MidpointRounding.AwayFromZero));
        Figure(m, "daysLate").ShouldBe(Math.Round((decimal)raw.Late / raw.Paid, 4, MidpointRounding.AwayFromZero));
        // What the ageing of the same day shows.
        var ageing = await demo.App.Get($"/api/ageing?by=currency&{Home}&asOf={to}");
        Text(ageing.GetProperty("sums")[0], "amount").ShouldBe(Text(m, "receivablesEnd"));
    }

    private sealed record RawDiscounts(long Used, long AllowedLate);

    [Fact]
    public async Task Discounts_used_and_allowed_late_equal_the_movements_and_the_terms()
    {
        const string From = "2025-03-01",
            To = "2025-12-31";
        var app = demo.App;
        var accounts = app.Desk.Snapshots.Current.Accounts.Where(a =>
            a.TermsCode == "2/10 n/30" && a.Currency.Code == "GBP"
        );
        using var raw = RawTables.Of(app.Books, "item", "movement");
        var theirs = raw.Duck.QuerySingle<RawDiscounts>(
            $"""
            SELECT CAST(coalesce(sum(-amount) FILTER (v <= ends AND ends BETWEEN '{From}' AND '{To}'), 0) AS BIGINT) used,
                CAST(coalesce(sum(-amount) FILTER (v > ends AND v BETWEEN '{From}' AND '{To}'), 0) AS BIGINT) allowedlate
            FROM (SELECT m.amount, m.value_date v, CAST(CAST(i.date AS DATE) + 10 AS VARCHAR) ends
                FROM item i JOIN movement m ON m.item_id = i.id
                WHERE m.kind = 2 AND i.account_id IN ({string.Join(", ", accounts.Select(a => a.Id))}))
            """
        );
        theirs.AllowedLate.ShouldBeGreaterThan(0);
        decimal used = 0,
            late = 0;
        foreach (var account in accounts)
        {
            var m = await app.Get($"/api/measures?account={account.Code}&from={From}&to={To}");
            used += Figure(m, "discountUsed");
            late += Figure(m.GetProperty("leakage"), "allowedLate");
        }

        used.ShouldBe(theirs.Used / 100m);
        late.ShouldBe(theirs.AllowedLate / 100m);
    }

    [Fact]
    public async Task Side_by_side_and_over_time_they_are_the_same_measures()
    {
        var app = demo.App;
        var side = (await app.Get("/api/measures/by?by=owner&from=2026-01-01")).GetProperty("items");
        side.GetArrayLength().ShouldBeGreaterThan(2);
        foreach (var of in side.EnumerateArray())
            of.GetProperty("measures")
                .ToString()
                .ShouldBe(
                    (
                        await app.Get(
                            $"/api/measures?from=2026-01-01&within=owner:{Uri.EscapeDataString(Text(of, "key"))}"
                        )
                    ).ToString()
                );
        var points = (await app.Get($"/api/measures/course?from=2026-01-01&{Home}")).GetProperty("points");
        points.GetArrayLength().ShouldBe(12);
        points[11].ToString().ShouldBe((await app.Get($"/api/measures?from=2026-01-01&{Home}")).ToString());
        points[3]
            .ToString()
            .ShouldBe((await app.Get($"/api/measures?from=2025-05-01&to=2025-07-31&{Home}")).ToString());
    }

    /// <summary>All pages of the documents of a part, added up, are the measure.</summary>
    [Theory]
    [InlineData("receivables", "receivablesEnd")]
    [InlineData("notDue", "notDueEnd")]
    [InlineData("sales", "sales")]
    [InlineData("discountsUsed", "discountUsed")]
    [InlineData("chargesRaised", "chargesRaised")]
    [InlineData("chargesPaid", "chargesPaid")]
    [InlineData("chargesReversed", "chargesReversed")]
    [InlineData("chargesOpen", "chargesOpen")]
    public async Task Every_measure_opens_the_documents_that_it_is_made_of(string part, string measure)
    {
        const string Period = $"from=2025-06-10&to=2025-11-20&{Home}";
        var list = await demo.App.Get($"/api/measures/documents?{Period}&part={part}&pageSize=1000");
        var items = list.GetProperty("items").EnumerateArray().ToList();
        for (var page = 2; items.Count < list.GetProperty("total").GetInt32(); page++)
            items.AddRange(
                (await demo.App.Get($"/api/measures/documents?{Period}&part={part}&pageSize=1000&page={page}"))
                    .GetProperty("items")
                    .EnumerateArray()
            );
        items.ShouldNotBeEmpty();
        items.ShouldAllBe(i => Text(i, "document").Length > 0);
        var sum = list.GetProperty("sums").EnumerateArray().Single();
        items.Sum(i => Figure(i, "amount")).ShouldBe(Figure(sum, "amount"));
        (Figure(sum, "amount") + Figure(sum, "before")).ShouldBe(
            Figure(await demo.App.Get($"/api/measures?{Period}"), measure)
        );
    }

    /// <summary>Weighted by the cash, the days of the payments are the days to pay and the days late.</summary>
    [Fact]
    public async Task Payments_carry_the_days_that_the_measures_weigh()
    {
        const string Period = $"from=2026-02-01&to=2026-02-28&{Home}";
        var list = await demo.App.Get($"/api/measures/documents?{Period}&part=paid&pageSize=1000");
        var paid = list.GetProperty("items").EnumerateArray().ToArray();
        paid.Length.ShouldBe(list.GetProperty("total").GetInt32());
        decimal Weighed(string days) =>
            Math.Round(
                paid.Sum(p => Figure(p, "amount") * p.GetProperty(days).GetInt32())
                    / paid.Sum(p => Figure(p, "amount")),
                4,
                MidpointRounding.AwayFromZero
            );
        var m = await demo.App.Get($"/api/measures?{Period}");
        (Weighed("daysToPay"), Weighed("daysLate")).ShouldBe((Figure(m, "daysToPay"), Figure(m, "daysLate")));
    }

    [Fact]
    public async Task Cases_of_leakage_are_added_up_by_their_reasons_and_narrowed_to_one()
    {
        const string Period = $"from=2025-03-01&to=2026-03-16&{Home}";
        var list = await demo.App.Get($"/api/leakage?{Period}&by=reason&pageSize=1000");
        var cases = list.GetProperty("items").EnumerateArray().ToArray();
        var sums = list.GetProperty("sums").EnumerateArray().ToArray();
        sums.Length.ShouldBeGreaterThan(1);
        foreach (var sum in sums)
            cases
                .Where(c => Text(c, "why").Equals(Text(sum, "key"), StringComparison.OrdinalIgnoreCase))
                .Sum(c => Figure(c, "amount"))
                .ShouldBe(Figure(sum, "amount"));
        var first = Text(sums[0], "key");
        var only = await demo.App.Get($"/api/leakage?{Period}&reason={Uri.EscapeDataString(first)}&pageSize=1000");
        only.GetProperty("items").EnumerateArray().ShouldAllBe(c => Text(c, "why") == first);
        only.GetProperty("total").GetInt32().ShouldBe(sums[0].GetProperty("cases").GetInt32());
    }

    [Fact]
    public async Task Leakage_lists_the_cases_that_the_measures_add_up_and_names_who_and_why()
    {
        var app = demo.App;
        const string Period = $"from=2025-03-01&to=2026-03-16&{Home}";
        var sums = (await app.Get($"/api/measures?{Period}")).GetProperty("leakage");
        foreach (var kind in (string[])["allowedLate", "writtenOff", "notGranted"])
        {
            var list = await app.Get($"/api/leakage?{Period}&kind={kind}&pageSize=1000");
            var cases = list.GetProperty("items").EnumerateArray().ToArray();
            cases.Length.ShouldBe(list.GetProperty("total").GetInt32());
            cases.Sum(c => Figure(c, "amount")).ShouldBe(Figure(sums, kind));
            list.GetProperty("sums").EnumerateArray().Sum(s => Figure(s, "amount")).ShouldBe(Figure(sums, kind));
            foreach (var c in cases)
            {
                Text(c, "document").ShouldStartWith("INV-");
                Text(c, "who").ShouldBe("demo");
                (kind == "notGranted" || c.GetProperty("daysLate").GetInt32() > 0).ShouldBeTrue();
                if (kind != "notGranted")
                    Text(c, "why").ShouldContain("payment run was late");
            }
        }

        var reversed = await app.Get($"/api/leakage?{Period}&kind=chargeReversed&pageSize=1000");
        reversed
            .GetProperty("items")
            .EnumerateArray()
            .Sum(c => Figure(c, "amount"))
            .ShouldBe(Of("2025-03-01", "2026-03-16").Reversed / 100m);
        reversed.GetProperty("items").EnumerateArray().ShouldAllBe(c => Text(c, "why").Length > 0);
    }

    [Theory]
    [InlineData("from=2026-03-17", "from")]
    [InlineData("to=2026-03-17", "to")]
    [InlineData("from=2020-01-01", "from")]
    [InlineData("from=soon", "from")]
    [InlineData("account=MOO01&within=owner:x", "within")]
    [InlineData("within=nobody:x", "within")]
    public async Task What_cannot_be_measured_names_its_field(string query, string field)
    {
        foreach (var path in (string[])["measures", "measures/course", "measures/by", "leakage"])
        {
            using var answer = await demo.App.Client.GetAsync(new Uri($"/api/{path}?{query}", UriKind.Relative));
            ((int)answer.StatusCode).ShouldBe(400, path);
            var problem = JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement;
            problem.GetProperty("errors").EnumerateObject().Select(e => e.Name).ShouldBe([field], path);
        }
    }

    [Fact]
    public void Of_what_was_brought_in_in_part_the_whole_was_sold()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-paid");
        try
        {
            File.WriteAllText(Path.Combine(folder.FullName, "customers.csv"), "code,name\nA1,Alder\n");
            File.WriteAllText(
                Path.Combine(folder.FullName, "open-items.csv"),
                "account,document,type,date,due,amount,open\n"
                    + "A1,I-1,invoice,2026-01-05,2026-02-04,1000.00,600.00\n"
                    + "A1,C-1,credit,2026-01-06,,80.00,30.00\nA1,I-2,invoice,2026-01-07,2026-02-06,50.00,50.00\n"
            );
            using var books = DataFolder.OpenCompany(Path.Combine(folder.FullName, "data"));
            new ImportCommand(TextWriter.Null, TextWriter.Null).Run(folder.FullName, books, false, false).ShouldBe(0);
            var accounts = books.Read(c => BookLoader.Load(books, c));
            var store = new AccountHistoryStore(new ItemStore(new VersionCache()));
            IReadOnlyList<PaidBefore> Before() =>
                books.Read(c => store.Of(c, accounts, RoundingRule.HalfAwayFromZero))[0].PaidBefore;
            for (var i = 0; i < 2; i++)
                Before().ShouldBe([new(new(2026, 1, 5), 40_000), new(new(2026, 1, 6), -5_000)]);
            var m = BookMeasures.Of(
                accounts,
                new(new(2026, 1, 1), new(2026, 1, 31)),
                new(Currency.Of("GBP"), [], 7, RoundingRule.HalfAwayFromZero),
                Before().ToLookup(_ => accounts[0].Id)
            );
            // 1,000 less 80 and 50, of which 600, 30 and 50 are open.
            m.Ratios.Sales.ShouldBe(970);
            m.ReceivablesEnd.ToString().ShouldBe("620.00");
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }
}
