using System.Globalization;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>
/// The numbers of board, account, group, forecast, check and interface agree on the demo, and equal raw movements.
/// </summary>
public sealed class AgreeingFiguresTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    [Fact]
    public async Task Every_account_shows_the_same_figures_wherever_it_is_shown()
    {
        var rows = (await Demo.Get("/api/accounts?pageSize=200")).GetProperty("items").EnumerateArray().ToList();
        rows.Count.ShouldBe(84);
        await Agree(Demo, rows, "2026-03-01");
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
        large.Books.Write(
            "tests",
            tx =>
            {
                CompanyStore.Change(
                    tx,
                    CompanyStore
                        .Settings(tx.Connection)
                        .WithExposure(new(UnclearedCount: true, DisputedCount: false), today),
                    1
                );
                for (var i = 1; i <= 3000; i += 37)
                {
                    var account = AccountStore.Get(tx.Connection, $"C{i:D6}");
                    var total = Money.Exact(random.Next(100, 9000), account.Currency);
                    OrderDesk.Enter(
                        tx,
                        account,
                        new(
                            $"SO-{i}",
                            today,
                            total,
                            [new(today.AddDays(random.Next(1, 50)), total.Minor)],
                            Reason: "season"
                        )
                    );
                    AccountStore.Change(tx, account with { GroupName = $"Group {i % 5}" }, "");
                    if (
                        tx.Connection.QueryFirstOrDefault<long?>(
                            "SELECT id FROM item WHERE account_id = @Id AND open > 0",
                            new { account.Id }
                        ) is
                        { } item
                    )
                        DisputeStore.Raise(tx, account, item, null, "", "came short");
                    large.Desk.Receipts.Post(
                        tx,
                        account,
                        new(
                            today.AddDays(-random.Next(3)),
                            random.Next(1, 400),
                            "",
                            new Dictionary<long, PaymentChoice>(),
                            Method: "CHEQUE"
                        )
                    );
                }

                return 0;
            }
        );
        var rows = (await large.Get("/api/accounts?pageSize=1000&page=2"))
            .GetProperty("items")
            .EnumerateArray()
            .ToList();
        await Agree(
            large,
            rows.Where((r, i) => i % 60 == 0 || Number(r, "held") > 0),
            today.AddDays(-9).ToString("O", CultureInfo.InvariantCulture)
        );
        var all = new List<JsonElement>();
        for (var page = 1; page <= 3; page++)
            all.AddRange(
                (await large.Get($"/api/accounts?pageSize=1000&page={page}")).GetProperty("items").EnumerateArray()
            );
        var sums = RawFigures.Of(large.Books, today.ToString("O", CultureInfo.InvariantCulture));
        (
            sums.Values.Any(f => f.Orders > 0),
            sums.Values.Any(f => f.Disputed > 0),
            sums.Values.Any(f => f.Uncleared > 0)
        ).ShouldBe((true, true, true));
        Equal(sums, all, disputedCount: false, unclearedCount: true);
        foreach (var group in (await large.Get("/api/groups")).EnumerateArray())
            Number(group, "exposure")
                .ShouldBe(
                    all.Where(r => r.GetProperty("group").GetString() == group.GetProperty("name").GetString())
                        .Sum(r => Number(r, "exposure"))
                );
        large.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    private static async Task Agree(TestApp Demo, IEnumerable<JsonElement> rows, string from)
    {
        foreach (var row in rows)
        {
            var code = row.GetProperty("code").GetString()!;
            var page = (await Demo.Get($"/api/accounts/{code}")).GetProperty("position");
            foreach (
                var figure in new[]
                {
                    "exposure",
                    "headroom",
                    "openItems",
                    "orders",
                    "uncleared",
                    "held",
                    "effectiveLimit",
                    "disputed",
                }
            )
                Number(page, figure).ShouldBe(Number(row, figure), $"{code} {figure}");
            page.GetProperty("passesOn").ToString().ShouldBe(row.GetProperty("passesOn").ToString(), code);
            var workings = (await Demo.Get($"/api/accounts/{code}/exposure"))
                .GetProperty("workings")
                .EnumerateArray()
                .ToList();
            Worth(workings, "Exposure").ShouldBe(Number(row, "exposure"), code);
            var documents = workings
                .TakeWhile(w => w.GetProperty("label").GetString() != "Open items")
                .Where(w => w.GetProperty("value").GetString() != "—")
                .Sum(w => Number(w, "value"));
            documents.ShouldBe(Number(row, "openItems"), code);
            var forecast = await Demo.Get($"/api/accounts/{code}/forecast");
            Number(forecast.GetProperty("course")[0], "exposure").ShouldBe(Number(row, "exposure"), code);
            forecast.GetProperty("passesOn").ToString().ShouldBe(row.GetProperty("passesOn").ToString(), code);
            var course = await Demo.Get($"/api/accounts/{code}/course?from={from}");
            Number(course[course.GetArrayLength() - 1], "exposure").ShouldBe(Number(row, "exposure"), code);
            var (status, check) = await Demo.Post("/api/checks", new { account = code, amount = "10.00" });
            status.ShouldBe(200);
            (Number(check, "exposureAfter") - 10).ShouldBe(Number(row, "exposure"), code);
            row.GetProperty("bar")
                .EnumerateArray()
                .Sum(b => decimal.Parse(b.GetString()!, CultureInfo.InvariantCulture))
                .ShouldBe(Math.Max(0, Number(row, "exposure")), code);
        }
    }

    private static decimal Worth(List<JsonElement> workings, string label) =>
        Number(workings.Single(w => w.GetProperty("label").GetString() == label), "value");

    [Theory]
    [InlineData("2025-06-30")]
    [InlineData("2025-12-31")]
    [InlineData("2026-03-16")]
    public async Task A_group_is_the_sum_of_its_accounts_by_the_rate_of_the_day(string day)
    {
        foreach (var group in (await Demo.Get($"/api/groups?asOf={day}")).EnumerateArray())
        {
            var name = Uri.EscapeDataString(group.GetProperty("name").GetString()!);
            var members = (await Demo.Get($"/api/accounts?asOf={day}&group={name}&pageSize=100"))
                .GetProperty("items")
                .EnumerateArray()
                .ToList();
            var sum = members.Sum(m =>
                m.GetProperty("currency").GetString() == "GBP"
                    ? Number(m, "exposure")
                    : Math.Round(
                        Number(m, "exposure") * RateOf(m.GetProperty("currency").GetString()!, day),
                        2,
                        MidpointRounding.AwayFromZero
                    )
            );
            Number(group, "exposure").ShouldBe(sum, $"{group} on {day}");
            Number(group, "overdue")
                .ShouldBe(
                    members.Sum(m =>
                        m.GetProperty("currency").GetString() == "GBP"
                            ? Number(m, "overdue")
                            : Math.Round(
                                Number(m, "overdue") * RateOf(m.GetProperty("currency").GetString()!, day),
                                2,
                                MidpointRounding.AwayFromZero
                            )
                    )
                );
            var view = await Demo.Get($"/api/groups/{name}?asOf={day}");
            var page = view.GetProperty("group");
            Number(page, "exposure").ShouldBe(sum);
            Number(view.GetProperty("forecast").GetProperty("course")[0], "exposure").ShouldBe(sum);
            Number(view.GetProperty("course")[view.GetProperty("course").GetArrayLength() - 1], "exposure")
                .ShouldBe(sum);
            page.GetProperty("bar")
                .EnumerateArray()
                .Sum(b => decimal.Parse(b.GetString()!, CultureInfo.InvariantCulture))
                .ShouldBe(Math.Max(0, sum));
        }

        decimal RateOf(string currency, string on) =>
            Demo.Books.Read(c =>
                decimal.Parse(
                    c.ExecuteScalar<string>(
                        "SELECT rate FROM exchange_rate WHERE currency = @currency AND on_date <= @on ORDER BY "
                            + "on_date DESC, id DESC LIMIT 1",
                        new { currency, on }
                    )!,
                    CultureInfo.InvariantCulture
                )
            );
    }

    [Theory]
    [InlineData("2025-09-30")]
    [InlineData("2026-01-31")]
    [InlineData("2026-03-13")]
    [InlineData("2026-03-16")]
    public async Task Exposure_equals_a_recomputation_from_raw_movements_receipts_and_orders(string day)
    {
        var sums = RawFigures.Of(Demo.Books, day);
        sums.Count.ShouldBe(84);
        if (day == "2026-03-16")
            sums.Values.Sum(x => x.Orders).ShouldBeGreaterThan(0);
        Equal(
            sums,
            (await Demo.Get($"/api/accounts?asOf={day}&pageSize=200")).GetProperty("items").EnumerateArray(),
            disputedCount: true,
            unclearedCount: true
        );
    }

    private static void Equal(
        Dictionary<string, RawFigures> sums,
        IEnumerable<JsonElement> rows,
        bool disputedCount,
        bool unclearedCount
    )
    {
        foreach (var row in rows)
        {
            var sum = sums[row.GetProperty("code").GetString()!];
            var (items, uncleared) = (
                disputedCount ? sum.Items : sum.Items - sum.Disputed,
                unclearedCount ? sum.Uncleared : 0
            );
            (Minor("openItems"), Minor("disputed"), Minor("uncleared"), Minor("orders"), Minor("exposure")).ShouldBe(
                (items, sum.Disputed, uncleared, sum.Orders, items + uncleared + sum.Orders),
                sum.Code
            );
            long Minor(string figure) => (long)(Number(row, figure) * 100);
        }
    }
}
