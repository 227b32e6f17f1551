using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>What is answered on the wire: names, content, headers, and every name that can stand in an address.</summary>
public sealed class ListeningTests(ListeningApp app) : IClassFixture<ListeningApp>
{
    private static async Task<JsonNode> Json(HttpResponseMessage response) =>
        JsonNode.Parse(await response.Content.ReadAsStringAsync())!;

    [Theory]
    [InlineData("evil.example", HttpStatusCode.BadRequest)]
    [InlineData("credit.example", HttpStatusCode.OK)]
    [InlineData("localhost:5080", HttpStatusCode.OK)]
    public async Task Only_the_names_it_is_reached_by_are_answered(string host, HttpStatusCode status)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/session") { Headers = { Host = host } };
        using var response = await app.Client.SendAsync(request);
        response.StatusCode.ShouldBe(status);
    }

    [Theory]
    [InlineData("text/plain", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/xml", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=klingon", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=utf-7", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=utf-16", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=utf-8", HttpStatusCode.OK)]
    [InlineData("application/json; charset=\"UTF-8\"", HttpStatusCode.OK)]
    public async Task Content_of_another_kind_is_named(string type, HttpStatusCode status)
    {
        using var response = await app.Post("/api/calc/terms", "{\"text\":\"n/30\"}", type);
        response.StatusCode.ShouldBe(status);
        if (status != HttpStatusCode.OK)
            (await Json(response))["detail"]!.GetValue<string>().ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData("GET", "/api/postings/none/settled")]
    [InlineData("POST", "/api/postings/none/reverse")]
    public async Task A_word_where_a_number_belongs_leads_nowhere(string method, string path)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        using var response = await app.Client.SendAsync(request);
        response.StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task It_says_whether_it_lives_and_whether_it_is_ready()
    {
        foreach (var path in new[] { "/health", "/health/ready" })
        {
            using var response = await app.Client.GetAsync(new Uri(path, UriKind.Relative));
            response.StatusCode.ShouldBe(HttpStatusCode.OK, path);
        }

        // Nothing of the trial is left beside the books.
        Directory.GetFiles(Path.GetDirectoryName(app.Books.Path)!, ".writable*").ShouldBeEmpty();
    }

    [Fact]
    public async Task What_is_measured_is_told_to_administrators_and_keys_alone()
    {
        var metrics = new Uri("/metrics", UriKind.Relative);
        var told = await app.Client.GetStringAsync(metrics);
        told.ShouldContain("kiteline_books_commits");
        told.ShouldContain("http_server_request_duration");
        told.ShouldNotContain("tester", Case.Insensitive);

        using var nobody = new HttpClient { BaseAddress = app.Client.BaseAddress };
        using var unknown = await nobody.GetAsync(metrics);
        unknown.StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        var key = app.Books.Write("tests", tx => ApiKeyStore.Make(tx, "watcher", Role.Viewer)).Secret;
        nobody.DefaultRequestHeaders.Authorization = new("Bearer", key);
        (await nobody.GetStringAsync(metrics)).ShouldContain("kiteline_books_lock_wait");
        using var viewer = await app.SignedIn("viewer", Role.Viewer);
        using var refused = await viewer.GetAsync(metrics);
        refused.StatusCode.ShouldBe(HttpStatusCode.Forbidden);
    }

    [Theory]
    [InlineData("{\"text\":\"n/30 \u00ff\"}")]
    [InlineData("{\"te\u00ffxt\":\"n/30\"}")]
    [InlineData("{\"terms\":{\"te\u00ffxt\":\"\u00ff\"}}")]
    public async Task What_is_not_utf8_is_told_so(string latin)
    {
        using var content = new ByteArrayContent(System.Text.Encoding.Latin1.GetBytes(latin))
        {
            Headers = { { "Content-Type", "application/json" } },
        };
        using var response = await app.Client.PostAsync(new Uri("/api/calc/terms", UriKind.Relative), content);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_request_that_is_too_large_is_told_so()
    {
        using var response = await app.Post(
            "/api/calc/terms",
            $"{{\"text\":\"{new string('x', Bounds.Request + 1)}\"}}"
        );
        response.StatusCode.ShouldBe(HttpStatusCode.RequestEntityTooLarge);
        (await Json(response))["detail"]!.GetValue<string>().ShouldContain("2 MB");
    }

    [Fact]
    public async Task An_address_that_is_asked_in_another_way_names_the_right_one()
    {
        using var response = await app.Client.DeleteAsync(new Uri("/api/accounts", UriKind.Relative));
        response.StatusCode.ShouldBe(HttpStatusCode.MethodNotAllowed);
        response.Content.Headers.Allow.ShouldContain("POST");
    }

    [Theory]
    [InlineData("/api/accounts")]
    [InlineData("/api/accounts/NOBODY")]
    [InlineData("/api/nothing")]
    [InlineData("/api/accounts?page=x")]
    public async Task Errors_bear_the_same_headers_as_answers_and_no_cache_keeps_either(string path)
    {
        using var response = await app.Client.GetAsync(new Uri(path, UriKind.Relative));
        response.Headers.GetValues("X-Content-Type-Options").ShouldBe(["nosniff"]);
        response.Headers.GetValues("Content-Security-Policy").Single().ShouldStartWith("default-src 'self'");
        response.Headers.CacheControl!.NoStore.ShouldBeTrue();
    }

    [Fact]
    public async Task Behind_a_proxy_the_cookie_goes_over_tls_alone_and_the_caller_is_the_one_it_names()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/session")
        {
            Content = new StringContent(
                JsonSerializer.Serialize(new { name = "tester", password = TestApp.Password }),
                System.Text.Encoding.UTF8,
                "application/json"
            ),
            Headers = { { "X-Forwarded-For", "203.0.113.9" }, { "X-Forwarded-Proto", "https" } },
        };
        // Not over the session of the others, which would end it.
        using var nobody = new HttpClient(new HttpClientHandler { UseCookies = false })
        {
            BaseAddress = app.Client.BaseAddress,
        };
        using var response = await nobody.SendAsync(request);
        response.Headers.GetValues("Set-Cookie").Single().ShouldContain("secure");
        response.Headers.GetValues("Strict-Transport-Security").Single().ShouldStartWith("max-age=");
        var log = JsonNode.Parse(await app.Client.GetStringAsync(new Uri("/api/users/sign-ins", UriKind.Relative)))!;
        log[0]!["changes"]!.ToJsonString().ShouldContain("203.0.113.9");
    }

    [Theory]
    [InlineData("A/B")]
    [InlineData("A.B")]
    [InlineData("-A_1.")]
    [InlineData("/")]
    [InlineData("//A")]
    public async Task Every_code_that_is_taken_can_be_reached(string code)
    {
        using var made = await app.Post(
            "/api/accounts",
            JsonSerializer.Serialize(new { name = $"Named {code}", code })
        );
        if (made.StatusCode != HttpStatusCode.OK)
        {
            code.ShouldNotContain("A", Case.Sensitive, "only what has no letter or digit may be refused");
            return;
        }

        foreach (var part in new[] { "", "/customer", "/ledger", "/settlement" })
        {
            using var read = await app.Client.GetAsync(
                new Uri($"/api/accounts/{Uri.EscapeDataString(code)}{part}", UriKind.Relative)
            );
            read.StatusCode.ShouldBe(HttpStatusCode.OK, $"{code}{part}");
        }
    }

    [Theory]
    [InlineData("Smith / Sons")]
    [InlineData("50% owned")]
    [InlineData("Röpke & Söhne")]
    [InlineData("a+b?c#d")]
    public async Task Every_group_and_terms_that_are_taken_can_be_reached(string name)
    {
        using var made = await app.Post("/api/groups", JsonSerializer.Serialize(new { name }));
        made.StatusCode.ShouldBe(HttpStatusCode.OK);
        using var read = await app.Client.GetAsync(
            new Uri($"/api/groups/{Uri.EscapeDataString(name)}", UriKind.Relative)
        );
        (await Json(read))["group"]!["name"]!.GetValue<string>().ShouldBe(name);
    }

    [Theory]
    [InlineData("export")]
    [InlineData("EXPORT")]
    [InlineData("..")]
    [InlineData("proposed-code")]
    public async Task Names_that_cannot_be_reached_are_refused_when_they_are_given(string name)
    {
        using var account = await app.Post(
            "/api/accounts",
            JsonSerializer.Serialize(new { name = "Any", code = name })
        );
        account.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        using var group = await app.Post("/api/groups", JsonSerializer.Serialize(new { name }));
        group.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        using var terms = await app.Post(
            "/api/policies/terms",
            JsonSerializer.Serialize(
                new
                {
                    code = name,
                    text = "n/30",
                    name = "Any",
                }
            )
        );
        terms.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public void Every_word_that_stands_in_the_place_of_a_name_is_refused_as_one()
    {
        var paths = JsonNode.Parse(File.ReadAllText(Repository.File("web", "openapi.json")))!["paths"]!
            .AsObject()
            .Select(p => p.Key.Split('/'))
            .ToList();
        // What is addressed by a number or by a kind of policy is not named by anybody.
        var words =
            from named in paths
            from place in Enumerable.Range(0, named.Length)
            where named[place] is "{code}" or "{name}"
            from other in paths
            where other.Length > place && other.Take(place).SequenceEqual(named.Take(place)) && other[place][0] != '{'
            select other[place];
        words.Distinct().ShouldAllBe(word => AddressableName.Taken.Contains(word));
    }
}
