using System.Globalization;
using System.Text;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Whatever writes is done once for a key, and tells its whole answer again.</summary>
public sealed class IdempotencyTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public IdempotencyTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, "PEL01");
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    "STD",
                    "Standard",
                    new LateChargePolicy { Rates = [new(new(2000, 1, 1), 12)], DayCount = DayCount.Of("act/365f") },
                    0
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "PLAN",
                    "Plan",
                    new ReminderPlan { Levels = [new() { DaysAfterDue = 7, Texts = [new("", "Reminder")] }] },
                    0
                );
                AccountStore.Change(tx, account with { LateChargePolicy = "STD", ReminderPlan = "PLAN" }, "agreed");
                var terms = PolicyStore.TermsByText(tx, "n/30");
                return PostingStore.Post(
                    tx,
                    account,
                    InvoicePosting.Invoice(
                        "INV-1",
                        tx.BusinessDate().AddDays(-80),
                        new InvoiceAmounts(
                            Money.Exact(900, account.Currency),
                            Money.Zero(account.Currency),
                            Money.Zero(account.Currency)
                        ),
                        terms.Definition.ToTerms(),
                        tx.Rules()
                    ),
                    terms.Id
                );
            }
        );

    public void Dispose() => _app.Dispose();

    private string Day(int later) => _app.Today.AddDays(later).ToString("O", CultureInfo.InvariantCulture);

    // Whatever is done leaves one of these; taking what was written into the index of what can be found leaves none.
    private long Changes =>
        _app.Books.Read(c =>
            c.ExecuteScalar<long>(
                "SELECT (SELECT count(*) FROM audit) + (SELECT count(*) FROM entry) + (SELECT count(*) FROM request)"
            )
        );

    private async Task<(int Status, string Body, bool Replayed)> Send(string path, string body, string key)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, new Uri(path, UriKind.Relative))
        {
            Content = new StringContent(body, Encoding.UTF8, "application/json"),
        };
        request.Headers.TryAddWithoutValidation("Idempotency-Key", key);
        using var response = await _app.Client.SendAsync(request);
        return (
            (int)response.StatusCode,
            await response.Content.ReadAsStringAsync(),
            response.Headers.Contains("Idempotency-Replayed")
        );
    }

    /// <summary>Areas that write, each with a request; DAY is five days on and ITEM the open item.</summary>
    public static TheoryData<string, string> Writes =>
        new()
        {
            { "/api/accounts", """{"name":"Marlin Ropes","limit":"500"}""" },
            { "/api/accounts/PEL01/log", """{"kind":"call","text":"rang twice"}""" },
            { "/api/accounts/PEL01/promises", """{"amount":"100.00","dueOn":"DAY"}""" },
            { "/api/accounts/PEL01/disputes", """{"itemId":ITEM,"amount":"40.00","reason":"came short"}""" },
            { "/api/accounts/PEL01/limit", """{"amount":"2500.00","from":"TODAY","reason":"agreed"}""" },
            { "/api/accounts/PEL01/uplift", """{"amount":"300.00","from":"TODAY","until":"DAY","reason":"season"}""" },
            { "/api/accounts/PEL01/state", """{"state":"watch","from":"TODAY","reason":"slow"}""" },
            { "/api/accounts/PEL01/orders", """{"number":"SO-1","total":"50.00"}""" },
            { "/api/accounts/PEL01/receipts", """{"valueDate":"TODAY","cash":"10.00","items":[{"id":ITEM}]}""" },
            { "/api/accounts/PEL01/invoices", """{"net":"20.00","reason":"agreed by telephone"}""" },
            { "/api/accounts/PEL01/late-charges", """{"through":"TODAY"}""" },
            { "/api/accounts/PEL01/reminders", "{}" },
            { "/api/policies/terms", """{"code":"SHORT","text":"n/7","name":"A week"}""" },
            { "/api/groups", """{"name":"Harbour","currency":"GBP"}""" },
            { "/api/views", """{"name":"Mine","query":"filter=stop","shared":false}""" },
            { "/api/rates", """{"rates":[{"date":"TODAY","currency":"EUR","rate":"0.85"}]}""" },
            { "/api/today/put-off", """{"key":"order:9","until":"DAY","reason":"later"}""" },
            {
                "/api/users",
                """{"name":"amy","fullName":"A. My","role":"viewer","password":"a long sentence to sign in"}"""
            },
        };

    [Theory]
    [MemberData(nameof(Writes))]
    public async Task A_request_is_carried_out_once_and_told_whole_again(string path, string template)
    {
        var item = (await _app.Get("/api/accounts/PEL01")).GetProperty("items")[0].GetProperty("id").GetInt64();
        var body = template
            .Replace("DAY\"", $"{Day(5)}\"", StringComparison.Ordinal)
            .Replace("TODAY", Day(0), StringComparison.Ordinal)
            .Replace($"TO{Day(5)}", Day(0), StringComparison.Ordinal)
            .Replace("ITEM", $"{item}", StringComparison.Ordinal);
        var first = await Send(path, body, "k-1");
        first.Status.ShouldBe(200, first.Body);
        first.Replayed.ShouldBeFalse();
        var after = Changes;
        var again = await Send(path, body, "k-1");
        again.ShouldBe((first.Status, first.Body, true));
        Changes.ShouldBe(after, "nothing was done the second time");
        if (path == "/api/users")
            return;

        var other = await Send(path, body.Replace("}", " }", StringComparison.Ordinal), "k-1");
        other.Status.ShouldBe(400);
        other.Body.ShouldContain("Idempotency-Key");
        Changes.ShouldBe(after);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task Of_many_that_come_at_once_one_is_done_and_all_are_told()
    {
        var body = $$"""{"valueDate":"{{Day(0)}}","cash":"100.00","items":[]}""";
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(_ => Send("/api/accounts/PEL01/receipts", body, "k-2"))
        );
        answers.Select(a => a.Body).Distinct().ShouldHaveSingleItem();
        answers.Count(a => !a.Replayed).ShouldBe(1);
        _app.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM document WHERE kind = 2")).ShouldBe(1);
    }

    [Fact]
    public async Task A_refused_request_may_be_put_right_under_its_key()
    {
        (
            await Send("/api/accounts/PEL01/limit", $$"""{"amount":"2000.00","from":"{{Day(0)}}","reason":""}""", "k-3")
        ).Status.ShouldBe(400);
        (
            await Send(
                "/api/accounts/PEL01/limit",
                $$"""{"amount":"2000.00","from":"{{Day(0)}}","reason":"agreed"}""",
                "k-3"
            )
        ).Status.ShouldBe(200);
    }

    [Fact]
    public async Task A_secret_is_told_once()
    {
        var first = await Send("/api/keys", """{"name":"till","role":"viewer"}""", "k-4");
        first.Status.ShouldBe(200, first.Body);
        var again = await Send("/api/keys", """{"name":"till","role":"viewer"}""", "k-4");
        again.Status.ShouldBe(400);
        again.Body.ShouldContain("cannot be told again");
        var secret = JsonDocument.Parse(first.Body).RootElement.GetProperty("secret").GetString()!;
        var kept = _app.Books.Read(c => c.Query<byte[]?>("SELECT answer FROM request")).Where(a => a is not null);
        kept.ShouldAllBe(a => !Encoding.UTF8.GetString(a!).Contains(secret));
    }

    [Fact]
    public async Task A_preview_waits_for_no_writer_and_keeps_no_key()
    {
        using var connection = _app.Books.Connect();
        connection.Execute("BEGIN IMMEDIATE TRANSACTION");
        var body = $$"""{"valueDate":"{{Day(0)}}","cash":"10.00","items":[]}""";
        (await Send("/api/accounts/PEL01/receipts?preview=true", body, "k-5")).Status.ShouldBe(200);
        (await Send("/api/accounts/PEL01/reminders?preview=true", "{}", "k-5")).Status.ShouldBe(200);
        (
            await Send("/api/accounts/PEL01/late-charges?preview=true", $$"""{"through":"{{Day(0)}}"}""", "k-5")
        ).Status.ShouldBe(200);
        connection.Execute("ROLLBACK TRANSACTION");
        (await Send("/api/accounts/PEL01/receipts", body, "k-5")).Status.ShouldBe(200, "the key is still free");
    }
}
