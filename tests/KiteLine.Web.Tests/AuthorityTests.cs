using System.Net.Http.Headers;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>No setting, file or key lets somebody pass what the own authority would not.</summary>
public sealed class AuthorityTests : IDisposable
{
    private static readonly Authority NoRelease = new(25_000, 0, 0, 0);
    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    private HttpClient As(Role role, Authority authority, out User user) => _app.As(role, authority, out user);

    private HttpClient As(Role role, Authority authority) => _app.As(role, authority);

    private HttpClient Key(Role role)
    {
        var secret = _app.Books.Write("tests", tx => ApiKeyStore.Make(tx, $"key {role}", role)).Secret;
        var client = _app.Nobody();
        client.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret);
        return client;
    }

    private static async Task<(int Status, JsonElement Body)> Send(
        HttpClient client,
        HttpMethod method,
        string path,
        object? body,
        long? version = null
    )
    {
        using var request = new HttpRequestMessage(method, new Uri(path, UriKind.Relative));
        if (body is not null)
            request.Content = new StringContent(
                body as string ?? JsonSerializer.Serialize(body),
                System.Text.Encoding.UTF8,
                "application/json"
            );
        if (version is { } v)
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{v}\""));
        using var response = await client.SendAsync(request);
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    private static string[] Fields(JsonElement problem) =>
        [.. problem.GetProperty("errors").EnumerateObject().Select(e => e.Name)];

    private async Task<(int Status, JsonElement Body)> Respond(HttpClient client, string finding, string response)
    {
        var customer = await _app.Get("/api/accounts/PEL01/customer");
        return await Send(
            client,
            HttpMethod.Put,
            "/api/accounts/PEL01",
            new
            {
                customer = new
                {
                    name = "Pellworm Sail Loft",
                    responses = new Dictionary<string, string> { [finding] = response },
                },
                reason = "known for years",
            },
            customer.GetProperty("version").GetInt64()
        );
    }

    [Theory]
    [InlineData("overLimit", "tell", 0, false)]
    [InlineData("overLimit", "ask", 5_000, false)]
    [InlineData("overLimit", "tell", null, true)]
    [InlineData("groupOverLimit", "tell", 5_000, false)]
    [InlineData("onStop", "tell", 0, false)]
    [InlineData("onStop", "tell", 5_000, true)]
    [InlineData("overdue", "tell", 0, false)]
    [InlineData("overdue", "refuse", 0, true)]
    public async Task A_check_is_relaxed_by_the_authority_it_replaces(
        string finding,
        string response,
        int? release,
        bool done
    )
    {
        var client = As(Role.Controller, NoRelease with { Release = release });
        var (status, body) = await Respond(client, finding, response);
        status.ShouldBe(done ? 200 : 400, body.ToString());
        if (!done)
            Fields(body).ShouldBe([$"responses.{finding}"]);
    }

    [Fact]
    public async Task An_order_of_millions_is_not_passed_by_whoever_may_not_release_it()
    {
        var client = As(Role.Controller, NoRelease);
        await Respond(client, "overLimit", "tell");
        var (_, order) = await Send(
            client,
            HttpMethod.Post,
            "/api/accounts/PEL01/orders",
            new
            {
                number = "SO-1",
                total = "5000000.00",
                reason = "season",
            }
        );
        order.GetProperty("order").GetProperty("state").GetString().ShouldBe("held");
        // Nor for many at once, nor by lifting a stop.
        _app.Books.Write(
            "tests",
            tx =>
            {
                LimitStore.ChangeState(
                    tx,
                    AccountStore.Get(tx.Connection, "PEL01"),
                    AccountState.Stop,
                    _app.Today,
                    "unpaid"
                );
                return 0;
            }
        );
        var (many, told) = await Send(
            client,
            HttpMethod.Post,
            "/api/account-changes",
            new
            {
                field = "responses.overLimit",
                value = "tell",
                reason = "season",
                codes = new[] { "PEL01" },
            }
        );
        many.ShouldBe(400, told.ToString());
        var (lifted, why) = await Send(
            client,
            HttpMethod.Post,
            "/api/accounts/PEL01/state",
            new
            {
                state = "open",
                from = _app.Today.ToString("O"),
                reason = "paid soon",
            }
        );
        lifted.ShouldBe(400);
        Fields(why).ShouldBe(["state"]);
    }

    [Fact]
    public async Task After_setting_up_credits_from_before_take_authority_to_write_off()
    {
        var clerk = As(Role.Controller, NoRelease with { WriteOff = 50 });
        object Credit(string number, string amount) =>
            new
            {
                document = number,
                type = "credit",
                date = _app.Today.AddDays(-40).ToString("O"),
                amount,
            };
        Task<(int Status, JsonElement Body)> Post(object item, bool preview = false) =>
            Send(
                clerk,
                HttpMethod.Post,
                $"/api/accounts/PEL01/opening-items?preview={preview}".ToLowerInvariant(),
                item
            );
        object Invoice(string number) =>
            new
            {
                document = number,
                type = "invoice",
                date = _app.Today.AddDays(-40).ToString("O"),
                due = _app.Today.AddDays(-10).ToString("O"),
                amount = "900.00",
            };
        (await Post(Credit("C-1", "9000.00"))).Status.ShouldBe(200);
        (await Post(Invoice("I-1"))).Status.ShouldBe(200);

        // Who may not change the company's settings does not end it.
        (await Send(clerk, HttpMethod.Post, "/api/company/setting-up/end", null)).Status.ShouldBe(403);
        (
            await Send(As(Role.Manager, Authority.None), HttpMethod.Post, "/api/company/setting-up/end", null)
        ).Status.ShouldBe(200);
        (await Send(_app.Client, HttpMethod.Post, "/api/company/setting-up/end", null)).Status.ShouldBe(400);

        foreach (var preview in new[] { true, false })
        {
            var (status, problem) = await Post(Credit("C-2", "50.01"), preview);
            status.ShouldBe(400);
            Fields(problem).ShouldBe(["open"]);
        }

        (await Post(Credit("C-2", "50.00"))).Status.ShouldBe(200);
        // More that is owed takes none; taking back what is owed does.
        (await Post(Invoice("I-2"))).Status.ShouldBe(200);
        var documents = await _app.Get("/api/accounts/PEL01/ledger");
        documents.ValueKind.ShouldNotBe(JsonValueKind.Undefined);
        var invoice = _app.Books.Read(c =>
            Dapper.SqlMapper.ExecuteScalar<long>(c, "SELECT id FROM document WHERE number = 'I-2'")
        );
        var (back, said) = await Send(
            clerk,
            HttpMethod.Post,
            $"/api/opening-documents/{invoice}/reverse",
            new { reason = "typed twice" }
        );
        back.ShouldBe(400);
        Fields(said).ShouldBe(["open"]);
    }

    [Theory]
    [InlineData("defaultLimit", "5000.00")]
    [InlineData("allowanceAmount", "500.00")]
    [InlineData("allowancePercent", "50")]
    public async Task Settings_that_grant_are_measured_by_authority_and_refused_to_keys(string field, string value)
    {
        foreach (
            var (client, status) in new[]
            {
                (Key(Role.Manager), 400),
                (As(Role.Manager, new(4_999, 0, 0, 4)), 400),
                (As(Role.Manager, new(5_000, 0, 0, 500)), 200),
            }
        )
        {
            var company = await _app.Get("/api/company");
            var (answered, body) = await Send(
                client,
                HttpMethod.Put,
                "/api/company",
                new Dictionary<string, string>
                {
                    ["name"] = "Test Rope",
                    ["defaultTerms"] = "n/30",
                    ["reason"] = "season",
                    [field] = value,
                },
                company.GetProperty("version").GetInt64()
            );
            answered.ShouldBe(status, body.ToString());
            if (status == 400)
                Fields(body).ShouldBe([field]);
        }
    }

    [Fact]
    public async Task A_bar_from_writing_off_is_lifted_by_a_manager_alone()
    {
        foreach (
            var (client, choice, status) in new[]
            {
                (As(Role.Controller, Authority.None), "barred", 200),
                (As(Role.Controller, Authority.Unbounded), "company", 400),
                (As(Role.Controller, Authority.Unbounded), "own", 400),
                (As(Role.Manager, new(0, 0, 0, 500)), "company", 200),
            }
        )
        {
            var version = (await _app.Get("/api/accounts/PEL01/customer")).GetProperty("version").GetInt64();
            var (answered, body) = await Send(
                client,
                HttpMethod.Put,
                "/api/accounts/PEL01",
                new { customer = new { allowance = new { choice } }, reason = "looked at" },
                version
            );
            answered.ShouldBe(status, body.ToString());
            if (status == 400)
                Fields(body).ShouldBe(["allowance.choice"]);
        }
    }

    [Fact]
    public async Task What_counts_towards_exposure_is_loosened_only_with_authority_without_bound()
    {
        foreach (
            var (client, status) in new[] { (Key(Role.Manager), 400), (As(Role.Manager, Authority.Unbounded), 200) }
        )
        {
            var company = await _app.Get("/api/company");
            (
                await Send(
                    client,
                    HttpMethod.Put,
                    "/api/company",
                    new
                    {
                        name = "Test Rope",
                        defaultTerms = "n/30",
                        chargesCount = false,
                        reason = "season",
                    },
                    company.GetProperty("version").GetInt64()
                )
            ).Status.ShouldBe(status);
        }
    }

    [Fact]
    public async Task The_review_of_a_limit_is_put_off_by_who_may_grant_the_limit()
    {
        var today = _app.Today;
        async Task<(string Outcome, string? Review)> Set(Authority authority, string amount, DateOnly? review)
        {
            var (status, answer) = await Send(
                As(Role.Manager, authority),
                HttpMethod.Post,
                "/api/accounts/PEL01/limit",
                new
                {
                    amount,
                    from = today.ToString("O"),
                    reviewOn = review?.ToString("O"),
                    reason = "looked at",
                }
            );
            status.ShouldBe(200, answer.ToString());
            return (
                answer.GetProperty("outcome").GetString()!,
                _app.Books.Read(c =>
                    c.ExecuteScalar<string>("SELECT review_on FROM limit_change ORDER BY id DESC LIMIT 1")
                )
            );
        }

        var due = today.AddDays(10);
        (await Set(Authority.Unbounded, "8000.00", due)).ShouldBe(("set", due.ToString("O")));
        var little = new Authority(1_000, 0, 0, 0);
        // The same limit to be looked at later is asked for; a lower one keeps the day where none is given.
        (await Set(little, "8000.00", due.AddDays(1))).ShouldBe(("asked", due.ToString("O")));
        (await Set(little, "7000.00", null)).ShouldBe(("set", due.ToString("O")));
        (await Set(little, "1000.00", due.AddDays(400))).ShouldBe(("set", due.AddDays(400).ToString("O")));
    }

    [Fact]
    public async Task After_a_rename_one_still_does_not_approve_oneself()
    {
        var client = As(Role.Manager, new(2_000, 0, 0, 0), out var user);
        var (_, asked) = await Send(
            client,
            HttpMethod.Post,
            "/api/accounts/PEL01/limit",
            new
            {
                amount = "9000.00",
                from = _app.Today.ToString("O"),
                reason = "more trade",
            }
        );
        var id = asked.GetProperty("request").GetProperty("id").GetInt64();
        _app.Books.Write(
            "tests",
            tx =>
                UserStore.Change(
                    tx,
                    user with
                    {
                        FullName = "S. Omebody Else",
                        Authority = Authority.Unbounded,
                    },
                    "married"
                )
        );
        var (status, problem) = await Send(
            client,
            HttpMethod.Post,
            $"/api/limit-requests/{id}/approve",
            new { reason = "" }
        );
        status.ShouldBe(400, problem.ToString());
        Fields(problem).ShouldBe(["request"]);
        // It is still one's own to take back.
        (
            await Send(client, HttpMethod.Post, $"/api/limit-requests/{id}/withdraw", new { reason = "later" })
        ).Status.ShouldBe(200);
    }

    [Fact]
    public async Task A_viewer_keeps_views_for_oneself()
    {
        var viewer = As(Role.Viewer, Authority.None, out var user);
        var (status, problem) = await Send(
            viewer,
            HttpMethod.Post,
            "/api/views",
            new
            {
                name = "Mine",
                query = "filter=stop",
                shared = true,
            }
        );
        status.ShouldBe(400);
        Fields(problem).ShouldBe(["shared"]);
        (
            await Send(viewer, HttpMethod.Post, "/api/views", new { name = "Mine", query = "filter=stop" })
        ).Status.ShouldBe(200);
        // It stays one's own under another name.
        _app.Books.Write("tests", tx => UserStore.Change(tx, user with { FullName = "V. Iewer" }, "married"));
        var (_, views) = await Send(viewer, HttpMethod.Get, "/api/views", null);
        views.EnumerateArray().ShouldHaveSingleItem().GetProperty("mine").GetBoolean().ShouldBeTrue();
    }
}
