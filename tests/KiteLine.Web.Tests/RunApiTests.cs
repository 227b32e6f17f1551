using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Runs through the interface and the command line. PEL01 owes 1,000.00 that fell due 50 days before the business date, at 8.5 %:
/// the example of the UK government's guidance on late commercial payments (from memory). The guidance rounds each day down and
/// comes to 11.50; rounded once, as here, 1,000 × 8.5 % × 50 / 365 is 11.64.
/// </summary>
public sealed class RunApiTests : IDisposable
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private readonly TestApp _app = new();

    public RunApiTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(tx, stored.Settings with { PinnedBusinessDate = Today }, stored.Version, "tests");
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    "UK",
                    "Example",
                    new LateChargePolicy
                    {
                        Label = "Interest",
                        Rates = [new(new(2000, 1, 1), 8.5m)],
                        DayCount = DayCount.Of("act/365f"),
                    },
                    0
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "PLAN",
                    "Plan",
                    new ReminderPlan
                    {
                        Levels =
                        [
                            new()
                            {
                                DaysAfterDue = 7,
                                LateCharge = Treatment.Show,
                                Texts = [new("", "Reminder {{ number }}", "Please pay {{ total }}.", "")],
                            },
                        ],
                    },
                    0
                );
                foreach (var name in (string[])["Pellworm Sail Loft", "Quiet Quay", "Nearly There"])
                {
                    var account = AccountStore.Open(
                        tx,
                        new(name, Terms: "n/30", LateChargePolicy: "UK", ReminderPlan: "PLAN", Email: "a@b.example")
                    );
                    if (name != "Quiet Quay")
                        Owe(tx, account, Today.AddDays(name == "Nearly There" ? -32 : -80));
                }

                return true;
            }
        );

    public void Dispose() => _app.Dispose();

    private static void Owe(Tx tx, Account account, DateOnly on)
    {
        var terms = PolicyStore.TermsByText(tx, "n/30");
        var gbp = account.Currency;
        PostingStore.Post(
            tx,
            account,
            InvoicePosting.Invoice(
                null,
                on,
                new InvoiceAmounts(Money.Exact(1000, gbp), Money.Zero(gbp), Money.Zero(gbp)),
                terms.Definition.ToTerms(),
                tx.Rules()
            ),
            terms.Id
        );
    }

    private async Task<JsonElement> Proposed(object body)
    {
        var (status, run) = await _app.Post("/api/runs", body);
        status.ShouldBe(200, $"{run}");
        return run;
    }

    private async Task<JsonElement> Ended(long id)
    {
        for (var i = 0; i < 600; i++)
        {
            var run = await _app.Get($"/api/runs/{id}?lines=false");
            if (run.GetProperty("state").GetString() is not ("posting" or "reversing"))
                return run;
            await Task.Delay(50);
        }

        throw new TimeoutException("The run did not end.");
    }

    private static string[] Lines(JsonElement run) =>
        [
            .. run.GetProperty("lines")
                .EnumerateArray()
                .Select(l => $"{l.GetProperty("account")} {l.GetProperty("document")} {l.GetProperty("amount")}"),
        ];

    [Fact]
    public async Task A_run_is_proposed_posted_in_the_background_and_has_nothing_left()
    {
        var run = await Proposed(new { kind = "late-charges", date = "2026-03-16" });
        run.GetProperty("state").GetString().ShouldBe("proposed");
        run.GetProperty("kind").GetString().ShouldBe("late-charges");
        Lines(run).ShouldBe(["PEL01 INV-00001 11.64", "NEA01 INV-00002 0.47"]);
        run.GetProperty("totals").GetProperty("GBP").GetString().ShouldBe("12.11");
        run.GetProperty("leftOut").GetArrayLength().ShouldBe(0);
        var id = run.GetProperty("id").GetInt64();

        var page = await _app.Get($"/api/runs/{id}/lines?page=2&pageSize=1");
        page.GetProperty("total").GetInt64().ShouldBe(2);
        page.GetProperty("items")
            .EnumerateArray()
            .ShouldHaveSingleItem()
            .GetProperty("account")
            .GetString()
            .ShouldBe("NEA01");
        var detail = await _app.Get($"/api/runs/{id}/accounts/PEL01");
        detail.GetProperty("workings").EnumerateArray().Select(w => $"{w.GetProperty("value")}").ShouldContain("11.64");
        detail.GetProperty("journal").GetArrayLength().ShouldBe(2);

        (await _app.Post($"/api/runs/{id}/post", new { send = true })).Status.ShouldBe(200);
        var ended = await Ended(id);
        ended.GetProperty("state").GetString().ShouldBe("posted", $"{ended}");
        var posted = await _app.Get($"/api/runs/{id}/accounts?state=posted");
        posted.GetProperty("total").GetInt64().ShouldBe(2);
        var entry = posted.GetProperty("items")[0].GetProperty("entry").GetInt64();
        var pdf = await _app.Client.GetByteArrayAsync(new Uri($"/api/late-charges/{entry}/pdf", UriKind.Relative));
        using (var document = PdfDocument.Open(pdf))
        {
            var text = document.GetPage(1).Text;
            text.ShouldContain("INV-00001");
            text.ShouldContain("11.64");
            text.ShouldContain("16 Mar 2026");
        }

        (await _app.Get("/api/outbox")).GetProperty("total").GetInt64().ShouldBe(2);
        (await Proposed(new { kind = "late-charges" })).GetProperty("lines").GetArrayLength().ShouldBe(0);
        (await _app.Post($"/api/runs/{id}/reverse", new { reason = "wrong rate" })).Status.ShouldBe(200);
        (await Ended(id)).GetProperty("state").GetString().ShouldBe("reversed");
        Lines(await Proposed(new { kind = "late-charges" })).Length.ShouldBe(2);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task Reminders_name_level_fee_and_interest_and_say_who_is_left_out()
    {
        var run = await Proposed(new { kind = "reminders" });
        var line = run.GetProperty("lines").EnumerateArray().ShouldHaveSingleItem();
        string.Join(' ', ((string[])["account", "level", "fee", "interest"]).Select(f => $"{line.GetProperty(f)}"))
            .ShouldBe("PEL01 1 0.00 11.64");
        run.GetProperty("leftOut")
            .EnumerateArray()
            .Select(l => $"{l.GetProperty("account")} {l.GetProperty("reason")} {l.GetProperty("amount")}")
            .ShouldBe(["NEA01 The next level is reached on 21 Mar 2026. 1000.00"]);
        var id = run.GetProperty("id").GetInt64();
        var letter = await _app.Client.GetByteArrayAsync(
            new Uri($"/api/runs/{id}/accounts/PEL01/letter", UriKind.Relative)
        );
        using (var document = PdfDocument.Open(letter))
            document.GetPage(1).Text.ShouldContain("1,011.64");
        var (status, taken) = await _app.Post(
            $"/api/runs/{id}/accounts/NEA01",
            new { kind = "takeIn", reason = "they asked" }
        );
        status.ShouldBe(200, $"{taken}");
        taken.GetProperty("line").GetProperty("state").GetString().ShouldBe("ready");
        (await _app.Post($"/api/runs/{id}/post", new { send = true })).Status.ShouldBe(200);
        (await Ended(id)).GetProperty("state").GetString().ShouldBe("posted");
        (await _app.Get("/api/outbox")).GetProperty("total").GetInt64().ShouldBe(2);
    }

    [Fact]
    public async Task What_is_wrong_is_named()
    {
        (await _app.Refused("/api/runs", new { kind = "dunning" })).ShouldBe(["kind"]);
        (await _app.Refused("/api/runs", new { kind = "reminders", date = "16 March" })).ShouldBe(["date"]);
        (await _app.Refused("/api/runs", new { kind = "reminders", date = "2026-03-17" })).ShouldBe(["date"]);
        (await _app.Refused("/api/runs", new { kind = "reminders", filter = "rich" })).ShouldBe(["filter"]);
        (await _app.Post("/api/runs", new { kind = "reminders", accounts = new[] { "NOBODY" } })).Status.ShouldBe(404);
        var run = await Proposed(new { kind = "late-charges", accounts = new[] { "pel01" } });
        run.GetProperty("scope").GetString().ShouldBe("PEL01");
        var at = $"/api/runs/{run.GetProperty("id")}";
        (await _app.Refused($"{at}/accounts/PEL01", new { kind = "leaveOut" })).ShouldBe(["reason"]);
        (
            await _app.Refused(
                $"{at}/accounts/PEL01",
                new
                {
                    kind = "cutItem",
                    item = 999,
                    amount = "1",
                }
            )
        ).ShouldBe(["reason"]);
        (
            await _app.Refused(
                $"{at}/accounts/PEL01",
                new
                {
                    kind = "setLevel",
                    level = 2,
                    reason = "x",
                }
            )
        ).ShouldBe(["level"]);
        (await _app.Refused($"{at}/reverse", new { reason = "x" })).ShouldBe(["run"]);
        (await _app.Refused($"{at}/stop", new { })).ShouldBe(["run"]);
        (await _app.Post($"{at}/accounts/QUI01", new { kind = "leaveOut", reason = "x" })).Status.ShouldBe(404);
        (await _app.Post($"{at}/discard", new { reason = "not needed" })).Status.ShouldBe(200);
        (await _app.Refused($"{at}/post", new { })).ShouldBe(["run"]);
    }

    [Fact]
    public async Task An_account_that_is_paused_or_handed_over_is_left_alone()
    {
        (await _app.Refused("/api/accounts/PEL01/pauses", new { until = "2026-03-16", reason = "x" })).ShouldBe([
            "until",
        ]);
        (await _app.Refused("/api/accounts/PEL01/pauses", new { until = "2026-03-20" })).ShouldBe(["reason"]);
        (await _app.Post("/api/accounts/PEL01/pauses", new { until = "2026-03-20", reason = "audit" })).Status.ShouldBe(
            200
        );
        var page = await _app.Get("/api/accounts/PEL01");
        var pause = page.GetProperty("pause");
        pause.GetProperty("until").GetString().ShouldBe("2026-03-20");
        (await _app.Get("/api/accounts?filter=paused")).GetProperty("total").GetInt64().ShouldBe(1);
        (await Proposed(new { kind = "reminders" })).GetProperty("lines").GetArrayLength().ShouldBe(0);
        (
            await _app.Post($"/api/accounts/PEL01/pauses/{pause.GetProperty("id")}/end", new { reason = "done" })
        ).Status.ShouldBe(200);
        (await Proposed(new { kind = "reminders" })).GetProperty("lines").GetArrayLength().ShouldBe(1);

        (await _app.Refused("/api/accounts/PEL01/collection", new { kind = "legal", reason = "x" })).ShouldBe(["to"]);
        (
            await _app.Post(
                "/api/accounts/PEL01/collection",
                new
                {
                    kind = "legal",
                    to = "Brine",
                    reason = "old",
                }
            )
        ).Status.ShouldBe(200);
        (await _app.Get("/api/accounts?filter=handed-over")).GetProperty("total").GetInt64().ShouldBe(1);
        var run = await Proposed(new { kind = "late-charges" });
        run.GetProperty("leftOut")[0]
            .GetProperty("reason")
            .GetString()
            .ShouldBe("The account was handed to Brine on 16 Mar 2026.");
        (await _app.Post("/api/accounts/PEL01/collection/take-back", new { reason = "paid half" })).Status.ShouldBe(
            200
        );
        (await _app.Refused("/api/accounts/PEL01/collection/take-back", new { reason = "x" })).ShouldBe(["account"]);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public void The_command_line_stores_nothing_unless_it_is_to_post()
    {
        JsonElement Run(RunKind kind, bool post, string? only = null)
        {
            using var progress = new StringWriter();
            using var answer = new StringWriter();
            new RunCommand(progress, answer, _app.Desk).Run(kind, null, null, only, post, send: false).ShouldBe(0);
            return JsonDocument.Parse(answer.ToString()).RootElement;
        }

        var shown = Run(RunKind.LateCharges, post: false);
        Lines(shown).ShouldBe(["NEA01 INV-00002 0.47", "PEL01 INV-00001 11.64"]);
        shown.GetProperty("run").ValueKind.ShouldBe(JsonValueKind.Null);
        shown.GetProperty("total").GetProperty("GBP").GetString().ShouldBe("12.11");
        _app.Books.Read(RunStore.Count).ShouldBe(0);
        Run(RunKind.LateCharges, post: true, "PEL01").GetProperty("run").GetInt64().ShouldBe(1);
        Lines(Run(RunKind.LateCharges, post: false)).ShouldBe(["NEA01 INV-00002 0.47"]);
        var letters = Run(RunKind.Reminders, post: true);
        letters.GetProperty("lines")[0].GetProperty("level").GetInt32().ShouldBe(1);
        letters.GetProperty("leftOut")[0].GetProperty("account").GetString().ShouldBe("NEA01");
        Should.Throw<NotThereException>(() => Run(RunKind.Reminders, post: false, "NOBODY"));
    }
}
