using System.Text.Json;
using Dapper;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Statements of many accounts at once, through the outbox.</summary>
public sealed class StatementsApiTests : IDisposable
{
    private readonly DemoApp _app = new();

    public void Dispose() => _app.Dispose();

    private static readonly object March = new
    {
        from = "2026-03-01",
        to = "2026-03-16",
        filter = "overdue",
    };

    private long Messages() =>
        _app.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM message WHERE period_to = '2026-03-16'"));

    private static int Count(JsonElement of, string name) => of.GetProperty(name).GetInt32();

    [Fact]
    public async Task Each_account_that_is_shown_gets_one_and_only_one()
    {
        var overdue = Count(await _app.Get("/api/accounts?filter=overdue"), "total");
        var (status, before) = await _app.Post("/api/account-statements?preview=true", March);
        status.ShouldBe(200, before.ToString());
        Count(before, "accounts").ShouldBe(overdue);
        (Count(before, "byEmail") + Count(before, "toPrint") + Count(before, "nothing")).ShouldBe(overdue);
        Count(before, "byEmail").ShouldBeGreaterThan(0);
        Count(before, "toPrint").ShouldBeGreaterThan(0);
        Messages().ShouldBe(0);

        var (sent, told) = await _app.Post("/api/account-statements", March, ("Idempotency-Key", "march"));
        sent.ShouldBe(200);
        told.ToString().ShouldBe(before.ToString());
        Messages().ShouldBe(Count(told, "byEmail") + Count(told, "toPrint"));
        // The same request gets its answer again, and another one finds that all have theirs.
        (await _app.Post("/api/account-statements", March, ("Idempotency-Key", "march")))
            .Body.ToString()
            .ShouldBe(told.ToString());
        var (_, again) = await _app.Post("/api/account-statements", March, ("Idempotency-Key", "again"));
        Count(again, "already").ShouldBe(Count(told, "byEmail") + Count(told, "toPrint"));
        (Count(again, "byEmail") + Count(again, "toPrint")).ShouldBe(0);
        Messages().ShouldBe(Count(told, "byEmail") + Count(told, "toPrint"));
        // By name, of another period, an account gets one of that.
        var code = Text((await _app.Get("/api/accounts?filter=overdue&pageSize=1")).GetProperty("items")[0], "code");
        var (_, one) = await _app.Post(
            "/api/account-statements",
            new
            {
                from = "2026-02-01",
                to = "2026-02-28",
                accounts = new[] { code },
            }
        );
        (Count(one, "byEmail") + Count(one, "toPrint") + Count(one, "nothing")).ShouldBe(1);
    }

    [Fact]
    public async Task What_cannot_be_sent_names_its_field()
    {
        const string Path = "/api/account-statements";
        (await _app.Refused(Path, new { from = "2026-03-10", to = "2026-03-01" })).ShouldBe(["to"]);
        (await _app.Refused(Path, new { to = "2026-03-17" })).ShouldBe(["to"]);
        (await _app.Refused(Path, new { from = "soon" })).ShouldBe(["from"]);
        (await _app.Refused(Path, new { filter = "nothing-like-it" })).ShouldBe(["filter"]);
        (await _app.Post(Path, new { accounts = new[] { "NOPE" } })).Status.ShouldBe(404);
        Messages().ShouldBe(0);
    }
}
