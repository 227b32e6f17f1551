using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Every way to let go of money, tried by a controller and a manager with an authority of nothing, of a penny less than it
/// takes, and of just enough. The amounts are worked by hand.
/// </summary>
public sealed class LettingGoTests : IDisposable
{
    private readonly OneAccountApp _app = new();
    private int _documents;
    private long _run;

    public LettingGoTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, "PEL01");
                LimitStore.Change(tx, account, Money.Exact(100_000, account.Currency), _app.Today, "room");
                return true;
            }
        );

    public void Dispose() => _app.Dispose();

    /// <summary>What is asked for: where, with what, and on which version.</summary>
    private sealed record Ask(HttpMethod Method, string Path, object Body, long? Version = null);

    private static Ask Post(string path, object body) => new(HttpMethod.Post, path, body);

    private static async Task<(int Status, string Body)> Send(HttpClient client, Ask ask)
    {
        using var request = new HttpRequestMessage(ask.Method, new Uri(ask.Path, UriKind.Relative))
        {
            Content = JsonContent.Create(ask.Body),
        };
        if (ask.Version is { } version)
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{version}\""));
        using var response = await client.SendAsync(request);
        return ((int)response.StatusCode, await response.Content.ReadAsStringAsync());
    }

    private async Task<JsonElement> Done(string path, object body)
    {
        var (status, answer) = await _app.Post(path, body);
        status.ShouldBe(200, answer.ToString());
        return answer;
    }

    private string Day(int ago) => _app.Today.AddDays(-ago).ToString("O");

    private Task<JsonElement> Invoice(string number, string net, int ago, string terms = "n/30") =>
        Done(
            "/api/accounts/PEL01/invoices",
            new
            {
                number,
                date = Day(ago),
                net,
                tax = "0",
                terms,
                reason = "known",
            }
        );

    private async Task<long> Item(string document) =>
        (await _app.Get("/api/accounts/PEL01"))
            .GetProperty("items")
            .EnumerateArray()
            .First(i => i.GetProperty("document").GetString() == document)
            .GetProperty("id")
            .GetInt64();

    private async Task<Ask> Receipt(string document, string cash, object choice, int ago = 0)
    {
        var item = JsonSerializer.SerializeToNode(choice)!.AsObject();
        item["id"] = await Item(document);
        return Post(
            "/api/accounts/PEL01/receipts",
            new
            {
                valueDate = Day(ago),
                cash,
                items = new[] { item },
                reason = "agreed",
            }
        );
    }

    private static long Entry(JsonElement posted) => posted.GetProperty("entryId").GetInt64();

    private async Task<Ask> Account(object customer) =>
        new(
            HttpMethod.Put,
            "/api/accounts/PEL01",
            new { customer, reason = "agreed" },
            (await _app.Get("/api/accounts/PEL01/customer")).GetProperty("version").GetInt64()
        );

    // Each way with what it lets go of, and what of an authority measures it.
    private async Task<(Ask Ask, decimal Amount, Func<decimal, Authority> Measure)> Way(string way)
    {
        var number = $"W-{++_documents}";
        static Authority WriteOff(decimal most) => new(0, 0, 0, most);
        static Authority Discount(decimal most) => new(0, 0, most, 0);
        static Authority Limit(decimal most) => new(most, 0, 0, 0);
        switch (way)
        {
            case "an invoice is reversed":
                return (
                    Post(
                        $"/api/postings/{Entry(await Invoice(number, "120.00", 2))}/reverse",
                        new { reason = "wrong" }
                    ),
                    120,
                    WriteOff
                );
            case "an invoice is written again with less":
                return (
                    Post(
                        "/api/accounts/PEL01/invoices",
                        new
                        {
                            number,
                            date = Day(2),
                            net = "45.00",
                            tax = "0",
                            reason = "wrong",
                            replaces = Entry(await Invoice(number, "120.00", 2)),
                        }
                    ),
                    75,
                    WriteOff
                );
            case "a late charge is reversed":
                await Charging(number);
                var charge = await Done("/api/accounts/PEL01/late-charges", new { through = Day(0) });
                charge.GetProperty("total").GetString().ShouldBe($"{800 * _documents}.00");
                return (
                    Post($"/api/postings/{Entry(charge)}/reverse", new { reason = "waived" }),
                    800 * _documents,
                    WriteOff
                );
            case "a second credit note on an invoice":
                await Invoice(number, "120.00", 2);
                await Done(
                    "/api/accounts/PEL01/credit-notes",
                    new
                    {
                        number = $"{number}-C1",
                        net = "30.00",
                        tax = "0",
                        invoice = number,
                        reason = "one crate",
                    }
                );
                return (
                    Post(
                        "/api/accounts/PEL01/credit-notes",
                        new
                        {
                            number = $"{number}-C2",
                            net = "20.00",
                            tax = "0",
                            invoice = number,
                            reason = "one more",
                        }
                    ),
                    50,
                    WriteOff
                );
            case "an item is written off after a part of it was":
                await Invoice(number, "120.00", 2);
                var item = await Item(number);
                await Done($"/api/accounts/PEL01/items/{item}/write-off", new { amount = "30.00", reason = "a part" });
                return (
                    Post(
                        $"/api/accounts/PEL01/items/{item}/write-off",
                        new { amount = "20.00", reason = "another part" }
                    ),
                    50,
                    WriteOff
                );
            case "what is short is written off":
                await Invoice(number, "120.00", 2);
                return (await Receipt(number, "70.00", new { writeOff = true }), 50, WriteOff);
            case "a discount is given too late":
                await Invoice(number, "1000.00", 20, "2/10 n/30");
                return (await Receipt(number, "980.00", new { discount = "grant" }), 20, Discount);
            case "a discount of one invoice":
                return (
                    Post(
                        "/api/accounts/PEL01/invoices",
                        new
                        {
                            number,
                            date = Day(2),
                            net = "1000.00",
                            tax = "0",
                            reason = "known",
                            discount = new { percent = "3", days = 10 },
                        }
                    ),
                    30,
                    Discount
                );
            case "an invoice is amended":
                await Invoice(number, "1000.00", 2);
                var document = _app.Books.Read(c =>
                    c.ExecuteScalar<long>("SELECT id FROM document WHERE number = @number", new { number })
                );
                return (
                    Post(
                        $"/api/documents/{document}/amendments",
                        new
                        {
                            date = Day(0),
                            terms = "3/10 n/30",
                            reason = "agreed",
                        }
                    ),
                    30,
                    Discount
                );
            case "an account gets better terms":
                // 3 % of its limit of 100,000.00.
                (await Send(_app.Client, await Account(new { terms = "n/30" }))).Status.ShouldBe(200);
                return (await Account(new { terms = "3/10 n/30" }), 3_000, Discount);
            case "an account leaves a group with a limit":
                await Done("/api/groups", new { name = number, currency = "GBP" });
                await Done(
                    $"/api/groups/{number}/limit",
                    new
                    {
                        amount = "5000.00",
                        from = Day(0),
                        reason = "all of them",
                    }
                );
                (await Send(_app.Client, await Account(new { group = number }))).Status.ShouldBe(200);
                return (await Account(new { group = "" }), 5_000, Limit);
            case "a group leaves the one above it":
                await Done("/api/groups", new { name = $"{number} above", currency = "GBP" });
                await Done(
                    "/api/groups",
                    new
                    {
                        name = number,
                        currency = "GBP",
                        parent = $"{number} above",
                    }
                );
                var all = new
                {
                    amount = "5000.00",
                    from = Day(0),
                    reason = "all of them",
                };
                await Done($"/api/groups/{number} above/limit", all);
                return (
                    new(HttpMethod.Put, $"/api/groups/{number}", new { parent = "", reason = "sold" }, 1),
                    5_000,
                    Limit
                );
            case "money is paid back":
                var paid = await Done(
                    "/api/accounts/PEL01/receipts",
                    new
                    {
                        valueDate = Day(0),
                        cash = "60.00",
                        items = Array.Empty<object>(),
                    }
                );
                return (
                    Post(
                        "/api/accounts/PEL01/refunds",
                        new
                        {
                            credits = new[] { await Item(paid.GetProperty("number").GetString()!) },
                            amount = "60.00",
                            bankAccount = "GB33BUKB20201555555555",
                            holder = "Pellworm Sail Loft",
                            reason = "paid twice",
                        }
                    ),
                    60,
                    WriteOff
                );
            case "a run is reversed":
                await Charging(number);
                // The former one is reversed in the background.
                if (_run != 0)
                    await Reached(_run, "reversed");
                var run = _run = await Run();
                return (Post($"/api/runs/{run}/reverse", new { reason = "wrong rate" }), 800 * _documents, WriteOff);
            case "a reminder is cancelled":
                await Charging(number);
                var letter = await Done("/api/accounts/PEL01/reminders", new { });
                return (
                    Post(
                        $"/api/reminders/{letter.GetProperty("number").GetString()}/cancel",
                        new { reason = "in error" }
                    ),
                    12,
                    WriteOff
                );
            default:
                throw new ArgumentOutOfRangeException(nameof(way), way, null);
        }
    }

    // An invoice of 10,000.00 that is 365 days overdue, at 8 % a year; the former ones are charged again as well.
    private async Task Charging(string number)
    {
        if (_documents == 1)
        {
            await Done(
                "/api/policies/late-charges",
                new
                {
                    code = "STD",
                    policy = new
                    {
                        rates = new[] { new { from = "2000-01-01", annualRate = "8" } },
                        dayCount = "act/365f",
                    },
                }
            );
            var fee = new { basis = "perLetter", amount = "12.00" };
            var level = new
            {
                daysAfterDue = 7,
                daysToPay = 7,
                fee,
                feeTreatment = "post",
                texts = new[] { new { subject = "Reminder", closing = "{{ total }}" } },
            };
            await Done("/api/policies/reminder-plans", new { code = "PLAN", levels = new[] { level } });
            (
                await Send(_app.Client, await Account(new { lateChargePolicy = "STD", reminderPlan = "PLAN" }))
            ).Status.ShouldBe(200);
        }

        await Invoice(number, "10000.00", 395);
    }

    private async Task<long> Run()
    {
        var id = (await Done("/api/runs", new { kind = "late-charges", date = Day(0) })).GetProperty("id").GetInt64();
        await Reached(id, "proposed");
        await Done($"/api/runs/{id}/post", new { });
        await Reached(id, "posted");
        return id;
    }

    private async Task Reached(long run, string state)
    {
        while ((await _app.Get($"/api/runs/{run}?lines=false")).GetProperty("state").GetString() != state)
            await Task.Delay(20);
    }

    [Theory]
    [InlineData("an invoice is reversed")]
    [InlineData("an invoice is written again with less")]
    [InlineData("a late charge is reversed")]
    [InlineData("a run is reversed")]
    [InlineData("a reminder is cancelled")]
    [InlineData("a second credit note on an invoice")]
    [InlineData("an item is written off after a part of it was")]
    [InlineData("what is short is written off")]
    [InlineData("money is paid back")]
    [InlineData("a discount is given too late")]
    [InlineData("a discount of one invoice")]
    [InlineData("an invoice is amended")]
    [InlineData("an account gets better terms")]
    [InlineData("an account leaves a group with a limit")]
    [InlineData("a group leaves the one above it")]
    public async Task It_takes_just_the_authority_of_its_amount_whatever_the_role(string way)
    {
        foreach (var role in new[] { Role.Controller, Role.Manager })
        {
            var (ask, amount, measure) = await Way(way);
            foreach (var most in new[] { 0, amount - 0.01m })
            {
                var (status, told) = await Send(_app.As(role, measure(most)), ask);
                status.ShouldBe(400, $"{way}, {role}, {most}: {told}");
                told.ShouldContain("above your authority", Case.Sensitive, $"{way}, {role}, {most}");
            }

            var (done, answer) = await Send(_app.As(role, measure(amount)), ask);
            done.ShouldBe(200, $"{way}, {role}: {answer}");
        }
    }

    [Fact]
    public async Task A_run_that_is_reversed_account_by_account_adds_up()
    {
        _documents = 1;
        await Charging("S-1");
        _app.Books.Write(
            "tests",
            tx =>
                AccountStore.Open(
                    tx,
                    new("Oxbow Sheds", Code: "OXB01", Limit: 100_000, Terms: "n/30", LateChargePolicy: "STD")
                )
        );
        await Done(
            "/api/accounts/OXB01/invoices",
            new
            {
                number = "S-2",
                date = Day(395),
                net = "10000.00",
                tax = "0",
                reason = "known",
            }
        );
        var run = await Run();
        var most = _app.As(Role.Controller, new(0, 0, 0, 800));
        Ask Back(string account) => Post($"/api/runs/{run}/accounts/{account}/reverse", new { reason = "wrong rate" });
        (await Send(most, Post($"/api/runs/{run}/reverse", new { reason = "wrong rate" }))).Status.ShouldBe(400);
        (await Send(most, Back("PEL01"))).Status.ShouldBe(200);
        var (status, told) = await Send(most, Back("OXB01"));
        status.ShouldBe(400);
        told.ShouldContain("gives up 800.00 GBP, 1600.00 GBP with what was reversed within a month");
        (await Send(_app.As(Role.Controller, new(0, 0, 0, 1_600)), Back("OXB01"))).Status.ShouldBe(200);
    }

    [Fact]
    public async Task A_limit_is_not_measured_by_a_rate_that_one_set_oneself_and_a_rate_does_not_go_far_without_a_manager()
    {
        _app.Books.Write(
            "tests",
            tx =>
                AccountStore.Open(
                    tx,
                    new("Svendborg Sejl", Code: "SVE01", Currency: Currency.Of("DKK"), Limit: 0, Terms: "n/30")
                )
        );
        object Rate(string rate) =>
            new
            {
                rates = new[]
                {
                    new
                    {
                        currency = "DKK",
                        date = Day(0),
                        rate,
                    },
                },
            };
        object Limit(string amount) =>
            new
            {
                amount,
                from = Day(0),
                reason = "season",
            };
        var clerk = _app.As(Role.Controller, new(10_000, 0, 0, 0));
        async Task<(int Status, string Told)> Do(HttpClient client, string path, object body) =>
            await Send(client, Post(path, body));

        (await Do(clerk, "/api/rates", Rate("0.11"))).Told.ShouldContain("A manager sets the first rate of DKK");
        (await Do(_app.As(Role.Manager, Authority.None), "/api/rates", Rate("0.11"))).Status.ShouldBe(200);
        (await Do(clerk, "/api/rates", Rate("0.0001"))).Told.ShouldContain("is more than 10 % away from 0.11");
        (await Do(clerk, "/api/rates", Rate("0.1"))).Status.ShouldBe(200);
        // 95,000 at 0.10 are 9,500.00 and at 0.11 10,450.00: the caller who set the 0.10 goes by the 0.11, and asks.
        (await Do(clerk, "/api/accounts/SVE01/limit", Limit("95000"))).Told.ShouldContain("\"asked\"");
        (
            await Do(_app.As(Role.Controller, new(10_000, 0, 0, 0)), "/api/accounts/SVE01/limit", Limit("95000"))
        ).Told.ShouldContain("\"set\"");
    }
}
