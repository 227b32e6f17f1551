using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>
/// Replays of the demo's books: under its own policies every account comes to what happened, and what happened is what DuckDB
/// adds up of the raw rows.
/// </summary>
public sealed class WhatIfTests(SharedDemo demo)
{
    private static readonly MeasuredPeriod Year = new(new(2025, 3, 17), new(2026, 3, 16));

    private AccountReplay[] Replayed(Func<Account, WhatIfChange> change)
    {
        var desk = demo.App.Desk;
        var book = desk.Snapshots.Current;
        return desk.Books.Read(connection =>
        {
            var rules = new ReplayRules(Rules.Of(connection, desk.Today()), book.PositionRules(desk.Today()));
            var records = AccountStore.ById(connection, [.. book.Accounts.Select(a => a.Id)]).ToDictionary(a => a.Id);
            return new ReplayReader(connection, desk.Items, desk.Versions, Year)
                .Of(connection, [.. book.Accounts])
                .Select(f => AccountReplay.Of(f, change(records[f.Book.Id]), Year, rules))
                .ToArray();
        });
    }

    private static string Differing(IEnumerable<AccountReplay> replays) =>
        string.Join(
            '\n',
            replays.SelectMany(r =>
                r.Lines.Where(l => l.Differs || l.ByOwnRules is not null).Select(l => $"{r.Account.Code} {l}")
            )
        );

    [Fact]
    public void Under_its_own_policies_every_account_comes_to_what_happened()
    {
        var replayed = Replayed(_ => WhatIfChange.None);
        Differing(replayed).ShouldBe("");
        var lines = replayed.SelectMany(r => r.Lines).ToLookup(l => l.Kind);
        lines[ReplayKind.Discount].Count().ShouldBeGreaterThan(200);
        lines[ReplayKind.LateCharge].Count().ShouldBeGreaterThan(1000);
        lines[ReplayKind.ReminderFee].Count().ShouldBeGreaterThan(500);
        lines[ReplayKind.OrderHeld].Count().ShouldBeGreaterThan(10);
        // Nearly all of it by rules alone: what was decided by hand is kept as it was, which proves nothing.
        replayed.Sum(r => r.ByHand).ShouldBeLessThan(50);
    }

    /// <summary>The policies that an account has, given as if they were others, and the checks of its record.</summary>
    [Fact]
    public void Its_own_policies_as_if_they_were_others_come_to_what_happened_too()
    {
        var replayed = Replayed(account =>
            demo.App.Books.Read(c => new WhatIfChange
            {
                Terms = PolicyStore.TermsOf(c, account.Terms) is { Instalments.Count: 1 } terms ? terms : null,
                LateCharges = PolicyStore.LateCharge(c, account.LateChargePolicy),
                Reminders = PolicyStore
                    .Find<ReminderPlan>(c, PolicyKind.ReminderPlan, account.ReminderPlan)
                    ?.Definition,
                LimitFactor = 1,
                Responses = account.Profile.Responses,
            })
        );
        Differing(replayed).ShouldBe("");
    }

    private sealed record Raw(long Charges, long Charged, long Fees, long Letters);

    [Fact]
    public void What_happened_is_what_the_raw_rows_add_up_to()
    {
        using var raw = RawTables.Of(
            demo.App.Books,
            "charge_line",
            "entry",
            "reminder",
            "reminder_cancelled",
            "account"
        );
        var home = demo.App.Desk.Snapshots.Current.Accounts.Where(a => a.ControlGroup == "HOME").ToArray();
        var of = $"account_id IN ({string.Join(", ", home.Select(a => a.Id))}) AND";
        const string Between = "BETWEEN '2025-03-17' AND '2026-03-16'";
        var sums = raw.Duck.QuerySingle<Raw>(
            $"""
            SELECT CAST(sum(l.amount) AS BIGINT) charges, count(*) FILTER (l.amount <> 0) charged,
                (SELECT CAST(sum(fee) AS BIGINT) FROM reminder r WHERE {of} r.date {Between}
                    AND r.id NOT IN (SELECT reminder_id FROM reminder_cancelled)) fees,
                (SELECT count(*) FROM reminder r WHERE {of} r.date {Between}
                    AND r.id NOT IN (SELECT reminder_id FROM reminder_cancelled)) letters
            FROM charge_line l JOIN entry e ON e.id = l.entry_id WHERE {of} e.posting_date {Between}
                AND e.id NOT IN (SELECT reverses FROM entry WHERE reverses IS NOT NULL)
            """
        );
        var codes = home.Select(a => a.Code).ToHashSet();
        var figures = ReplayFigures.Of(
            Replayed(_ => WhatIfChange.None).Where(r => codes.Contains(r.Account.Code)).SelectMany(r => r.Lines),
            l => l.Happened,
            m => m.Minor
        );
        new Raw((long)figures.Charges, figures.Charged, (long)figures.Fees, figures.Letters).ShouldBe(sums);
        sums.Charges.ShouldBeGreaterThan(0);
    }

    private static async Task<JsonElement> Done(DemoApp app, JsonElement begun)
    {
        var path = $"/api/what-ifs/{Text(begun, "id")}";
        using var patience = new CancellationTokenSource(TimeSpan.FromMinutes(2));
        while (true)
        {
            var now = await app.Get(path);
            if (Text(now, "state") != "atWork")
                return now;
            await Task.Delay(20, patience.Token);
        }
    }

    private static object Asked(
        string name = "n/14 for all",
        string from = "2025-03-17",
        string to = "2026-03-16",
        string? terms = "n/14",
        string? within = null,
        string? movesFrom = null,
        string? limitPercent = null
    ) =>
        new
        {
            name,
            from,
            to,
            terms,
            within,
            movesFrom,
            limitPercent,
        };

    /// <summary>Terms that end sooner: discounts go, and what is late is late for longer.</summary>
    [Fact]
    public async Task It_is_worked_out_behind_the_scenes_kept_and_opened_down_to_the_documents()
    {
        using var app = new DemoApp();
        var (status, begun) = await app.Post("/api/what-ifs", Asked(within: "controlGroup:HOME"));
        status.ShouldBe(200, begun.ToString());
        var done = await Done(app, begun);
        Text(done, "state").ShouldBe("done");
        var (happened, would) = (done.GetProperty("happened"), done.GetProperty("would"));
        Number(would, "discounts").ShouldBeLessThan(Number(happened, "discounts"));
        Number(would, "charges").ShouldBeGreaterThan(Number(happened, "charges"));
        Number(would, "brings")
            .ShouldBe(
                Number(would, "charges")
                    + Number(would, "fees")
                    + Number(would, "interest")
                    - Number(would, "discounts")
            );
        done.GetProperty("unexplained").GetInt32().ShouldBe(0);

        var most = done.GetProperty("largest")[0];
        var lines = await app.Get($"/api/what-ifs/{Text(done, "id")}/accounts/{Text(most, "code")}");
        decimal Sum(string kind, string which) =>
            lines
                .GetProperty("lines")
                .EnumerateArray()
                .Where(l => Text(l, "kind") == kind && l.GetProperty(which).ValueKind != JsonValueKind.Null)
                .Sum(l => Number(l, which));
        foreach (var which in (string[])["happened", "would"])
        {
            Number(most.GetProperty(which), "charges").ShouldBe(Sum("lateCharge", which));
            Number(most.GetProperty(which), "discounts").ShouldBe(Sum("discount", which));
        }

        foreach (var format in (string[])["csv", "xlsx", "pdf"])
            (
                await app.Client.GetByteArrayAsync($"/api/what-ifs/{Text(done, "id")}/file?format={format}")
            ).Length.ShouldBeGreaterThan(500);
        (await app.Get("/api/what-ifs"))[0].GetProperty("id").GetInt64().ShouldBe(done.GetProperty("id").GetInt64());
        (await app.Send(HttpMethod.Delete, $"/api/what-ifs/{Text(done, "id")}", "")).Status.ShouldBe(200);
        (await app.Client.GetAsync($"/api/what-ifs/{Text(done, "id")}")).StatusCode.ShouldBe(
            System.Net.HttpStatusCode.NotFound
        );
        app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task One_that_is_stopped_stays_so()
    {
        using var app = new DemoApp();
        var (_, begun) = await app.Post("/api/what-ifs", Asked());
        // Stopped before or after it was done: either is what it says.
        var (_, stopped) = await app.Post($"/api/what-ifs/{Text(begun, "id")}/stop", new { });
        var end = await Done(app, begun);
        Text(end, "state").ShouldBe(Text(stopped, "state"));
        (end.GetProperty("happened").ValueKind == JsonValueKind.Null).ShouldBe(Text(end, "state") == "stopped");
        (await app.Post("/api/what-ifs/9999/stop", new { })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task What_is_wrong_is_named_by_its_field()
    {
        var app = demo.App;
        (await app.Refused("/api/what-ifs", Asked(name: " "))).ShouldBe(["name"]);
        (await app.Refused("/api/what-ifs", Asked(to: "2026-03-17"))).ShouldBe(["to"]);
        (await app.Refused("/api/what-ifs", Asked(from: "2023-03-15"))).ShouldBe(["from"]);
        (await app.Refused("/api/what-ifs", Asked(from: "soon", terms: "9/9", movesFrom: "x"))).ShouldBe(
            ["from", "terms", "movesFrom"],
            ignoreOrder: true
        );
        (await app.Refused("/api/what-ifs", Asked(terms: "40% now, rest 20"))).ShouldBe(["terms"]);
        (await app.Refused("/api/what-ifs", Asked(within: "nobody"))).ShouldBe(["within"]);
        (await app.Refused("/api/what-ifs", Asked(limitPercent: "0"))).ShouldBe(["limitPercent"]);
    }

    /// <summary>A limit of 80 % of the present one, for the accounts of one owner alone.</summary>
    [Fact]
    public async Task What_was_tried_out_is_given_to_the_same_accounts()
    {
        using var app = new DemoApp();
        var (status, changed) = await app.Post(
            "/api/account-changes?preview=true",
            new
            {
                field = "limit",
                value = "80 %",
                within = "owner:M. Lindqvist",
                reason = "tried out",
            }
        );
        status.ShouldBe(200, changed.ToString());
        var accounts = app.Desk.Snapshots.Current.Accounts.Where(a => a.Owner == "M. Lindqvist").ToArray();
        var limits = changed.GetProperty("changed").EnumerateArray().ToArray();
        limits.Length.ShouldBeInRange(1, accounts.Length);
        limits.Select(l => Text(l, "code")).Except(accounts.Select(a => a.Code)).ShouldBeEmpty();
    }
}
