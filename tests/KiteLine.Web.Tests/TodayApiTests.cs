using System.Globalization;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Today over one account: what is put off, taken up and done, and whose it is.</summary>
public sealed class TodayApiTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    private string Day(int later) => _app.Today.AddDays(later).ToString("O", CultureInfo.InvariantCulture);

    private Task<(int Status, System.Text.Json.JsonElement Body)> PutOff(string key, int later) =>
        _app.Post(
            "/api/today/put-off",
            new
            {
                key,
                until = Day(later),
                reason = "calls back",
            }
        );

    /// <summary>A weekly schedule is first followed today; a fortnight later one of its days was missed.</summary>
    [Fact]
    public async Task A_schedule_that_was_missed_is_caught_up_and_stands_beside_the_accounts()
    {
        void Change(Func<CompanySettings, CompanySettings> change) =>
            _app.Books.Write(
                "tests",
                tx =>
                {
                    var stored = CompanyStore.Get(tx.Connection);
                    return CompanyStore.Change(tx, change(stored.Settings), stored.Version, "changed by a test");
                }
            );
        var monday = _app.Today.AddDays(-(((int)_app.Today.DayOfWeek + 6) % 7));
        var schedule = new RunSchedule(RunKind.LateCharges, RunRhythm.Weekly, 1, Post: false, Send: false);
        Change(s => s with { PinnedBusinessDate = monday, RunSchedules = [schedule] });
        _app.Desk.Scheduling.Look();
        Change(s => s with { PinnedBusinessDate = monday.AddDays(14) });
        // Whether this call makes it or the worker, which was woken too.
        _app.Desk.Scheduling.Look();
        var work = (await _app.Get("/api/today")).GetProperty("work").EnumerateArray().ToList();
        var told = work.Single(w => Text(w, "kind") == "scheduleCaughtUp");
        Text(told, "text")
            .ShouldBe(
                $"Late charges, weekly on Monday: was due on {Exactly.Day(monday.AddDays(7))} and missed; caught up today"
            );
        work.Count(w => Text(w, "kind") == "runReady").ShouldBe(1);
        // The day after it is no news any more.
        Change(s => s with { PinnedBusinessDate = monday.AddDays(15) });
        (await _app.Get("/api/today"))
            .GetProperty("work")
            .EnumerateArray()
            .ShouldNotContain(w => Text(w, "kind") == "scheduleCaughtUp");
    }

    [Fact]
    public async Task Nothing_needs_a_decision_on_an_account_within_its_limit()
    {
        var today = await _app.Get("/api/today");
        (today.GetProperty("total").GetInt32(), today.GetProperty("items").GetArrayLength()).ShouldBe((0, 0));
    }

    [Fact]
    public async Task What_is_put_off_stands_apart_until_it_is_taken_up()
    {
        var id = (await _app.Enter("SO-1", "1500")).Body.GetProperty("order").GetProperty("id").GetInt64();
        var key = $"order:{id}";
        var off = (await PutOff(key, 3)).Body;
        off.GetProperty("items").EnumerateArray().ShouldNotContain(e => Text(e, "key") == key);
        var entry = off.GetProperty("putOff").EnumerateArray().ShouldHaveSingleItem();
        (Text(entry, "key"), Text(entry, "putOffUntil"), Text(entry, "putOffBy")).ShouldBe((key, Day(3), "T. Ester"));
        // Put off once more, the later day holds.
        Text((await PutOff(key, 9)).Body.GetProperty("putOff")[0], "putOffUntil").ShouldBe(Day(9));
        var back = (await _app.Post("/api/today/take-up", new { key })).Body;
        back.GetProperty("putOff").GetArrayLength().ShouldBe(0);
        back.GetProperty("items")
            .EnumerateArray()
            .ShouldContain(e => Text(e, "key") == key && Text(e, "atRisk") == "1500.00");
        (await _app.Post("/api/today/take-up", new { key })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task By_account_it_tells_each_once_with_all_its_reasons_which_are_put_off_together()
    {
        await _app.Enter("SO-1", "1500");
        await _app.Enter("SO-2", "1700");
        var today = await _app.Get("/api/today?by=account");
        today.GetProperty("items").GetArrayLength().ShouldBe(0);
        var calls = today.GetProperty("calls");
        var call = calls.GetProperty("items").EnumerateArray().ShouldHaveSingleItem();
        var reasons = call.GetProperty("reasons").EnumerateArray().ToList();
        var all = (await _app.Get("/api/today")).GetProperty("items").EnumerateArray().ToList();
        reasons.Select(r => Text(r, "key")).ShouldBe(all.Select(e => Text(e, "key")));
        reasons.Count(r => Text(r, "kind") == "heldOrder").ShouldBe(2);
        // That of the largest one: they are about the same account, and are not added up.
        (Text(call, "atRisk"), Text(call, "about")).ShouldBe((Text(reasons[0], "atRisk"), "PEL01"));
        calls.GetProperty("counts").GetProperty("heldOrder").GetInt32().ShouldBe(1);
        today.GetProperty("counts").GetProperty("heldOrder").GetInt32().ShouldBe(2);

        var keys = reasons.Select(r => Text(r, "key")).ToArray();
        var body = new
        {
            keys,
            until = Day(3),
            reason = "calls back",
        };
        (await _app.Post("/api/today/put-off", body)).Status.ShouldBe(200);
        calls = (await _app.Get("/api/today?by=account")).GetProperty("calls");
        (calls.GetProperty("total").GetInt32(), calls.GetProperty("putOffTotal").GetInt32()).ShouldBe((0, 1));
        calls.GetProperty("putOff")[0].GetProperty("reasons").GetArrayLength().ShouldBe(keys.Length);
        // All or none: one that is not there leaves the others as they are.
        (await _app.Post("/api/today/take-up", new { keys = keys.Append("order:999") })).Status.ShouldBe(404);
        (await _app.Get("/api/today")).GetProperty("putOffTotal").GetInt32().ShouldBe(keys.Length);
        (await _app.Post("/api/today/take-up", new { keys })).Status.ShouldBe(200);
        (await _app.Get("/api/today")).GetProperty("total").GetInt32().ShouldBe(keys.Length);
    }

    [Fact]
    public async Task What_is_asked_or_put_off_has_its_bound()
    {
        (await _app.Client.GetAsync(new Uri("/api/today?by=week", UriKind.Relative))).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.BadRequest
        );
        var keys = Enumerable.Range(1, 201).Select(i => $"order:{i}");
        var (status, problem) = await _app.Post("/api/today/put-off", new { keys, until = Day(3) });
        status.ShouldBe(400);
        problem.GetProperty("errors").TryGetProperty("keys", out _).ShouldBeTrue();
        (await _app.Get("/api/today")).GetProperty("putOffTotal").GetInt32().ShouldBe(0);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(400)]
    public async Task It_is_put_off_to_a_day_to_come_within_a_year(int later) =>
        (await _app.Refused("/api/today/put-off", new { key = "order:1", until = Day(later) })).ShouldBe(["until"]);

    [Fact]
    public async Task The_list_comes_by_kind_and_page_and_says_how_many_there_are()
    {
        for (var n = 1; n <= 5; n++)
            await _app.Enter($"SO-{n}", $"{1500 + n}");
        // Five held orders in falling order of their amounts; two to a page.
        var first = await _app.Get("/api/today?kind=heldOrder&pageSize=2");
        (first.GetProperty("matching").GetInt32(), first.GetProperty("page").GetInt32()).ShouldBe((5, 1));
        var amounts = new List<string>();
        for (var page = 1; page <= 3; page++)
            amounts.AddRange(
                (await _app.Get($"/api/today?kind=heldOrder&pageSize=2&page={page}"))
                    .GetProperty("items")
                    .EnumerateArray()
                    .Select(e => Text(e, "atRisk"))
            );
        amounts.ShouldBe(["1505.00", "1504.00", "1503.00", "1502.00", "1501.00"]);
        (await _app.Get("/api/today?kind=approval")).GetProperty("items").GetArrayLength().ShouldBe(0);
        foreach (
            var (query, field) in new[] { ("kind=rumour", "kind"), ("page=0", "page"), ("pageSize=501", "pageSize") }
        )
        {
            var response = await _app.Client.GetAsync(new Uri($"/api/today?{query}", UriKind.Relative));
            ((int)response.StatusCode).ShouldBe(400);
            (await response.Content.ReadAsStringAsync()).ShouldContain($"\"{field}\"");
        }
    }

    [Fact]
    public async Task What_is_done_is_gone()
    {
        var id = (await _app.Enter("SO-1", "1500")).Body.GetProperty("order").GetProperty("id").GetInt64();
        (await _app.Get("/api/today")).GetProperty("counts").GetProperty("heldOrder").GetInt32().ShouldBe(1);
        (
            await _app.Post($"/api/orders/{id}/decline", new { reason = "no longer wanted" }, ("If-Match", "1"))
        ).Status.ShouldBe(200);
        (await _app.Get("/api/today")).GetProperty("total").GetInt32().ShouldBe(0);
    }

    [Fact]
    public async Task It_is_narrowed_to_the_accounts_of_one_owner()
    {
        _app.Books.Write(
            "tests",
            tx =>
            {
                var account = AccountStore.Open(tx, new("Osprey Boats", Limit: 10, Owner: "T. Ester"));
                return OrderDesk.Enter(
                    tx,
                    account,
                    new("SO-9", tx.BusinessDate(), Money.Exact(500, account.Currency), [])
                );
            }
        );
        await _app.Enter("SO-1", "1500");
        var all = (await _app.Get("/api/today")).GetProperty("items").EnumerateArray().ToList();
        all.Select(e => Text(e, "about")).Distinct().ShouldBe(["PEL01", "OSP01"], ignoreOrder: true);
        all.ShouldAllBe(e => e.GetProperty("mine").GetBoolean() == (Text(e, "about") == "OSP01"));
        var mine = (await _app.Get("/api/today?owner=T.%20Ester")).GetProperty("items").EnumerateArray().ToList();
        mine.Count.ShouldBeInRange(1, all.Count - 1);
        mine.ShouldAllBe(e => Text(e, "about") == "OSP01");
    }

    [Fact]
    public async Task A_gap_in_a_list_is_named_by_its_place()
    {
        (
            await _app.Refused(
                "/api/rates",
                "{\"rates\":[{\"currency\":\"EUR\",\"date\":\"2026-03-02\",\"rate\":\"0.8\"},null]}"
            )
        ).ShouldBe(["rates[1]"]);
        (
            await _app.Refused("/api/accounts/PEL01/orders", "{\"number\":\"A\",\"total\":\"1\",\"deliveries\":[null]}")
        ).ShouldBe(["deliveries[0]"]);
        (await _app.Refused("/api/checks", "null")).ShouldBe(["body"]);
    }
}
