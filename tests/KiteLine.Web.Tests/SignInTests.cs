using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class SignInTests : IDisposable
{
    private readonly TestApp _app = new();

    public void Dispose() => _app.Dispose();

    private User Add(string name, Role role, Authority? authority = null) =>
        _app.Books.Write(
            "tests",
            tx =>
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = name,
                        FullName = $"F. {name}",
                        Role = role,
                        Authority = authority ?? Authority.None,
                    },
                    Passwords.Hash(TestApp.Password)
                )
        );

    private async Task<(HttpStatusCode Status, JsonElement Body, HttpResponseMessage Response)> SignIn(
        string name,
        string password
    )
    {
        using var client = _app.Nobody();
        var response = await client.PostAsJsonAsync("/api/session", new { name, password });
        return (response.StatusCode, await response.Content.ReadFromJsonAsync<JsonElement>(), response);
    }

    private static async Task<HttpStatusCode> Status(
        HttpClient client,
        string path,
        string? cookie = null,
        string? bearer = null
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        if (cookie is not null)
            request.Headers.Add("Cookie", cookie);
        if (bearer is not null)
            request.Headers.Authorization = new("Bearer", bearer);
        using var response = await client.SendAsync(request);
        return response.StatusCode;
    }

    [Fact]
    public async Task Every_endpoint_answers_just_those_who_may_call_it()
    {
        var callers = Enum.GetValues<Role>()
            .ToDictionary(r => r, r => (Add($"as-{r}", r), _app.Cookie($"as-{r}")).Item2);
        using var client = _app.Nobody();
        var endpoints = _app
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e =>
                e.RoutePattern.RawText!.StartsWith("/api/", StringComparison.Ordinal)
                && e.Metadata.GetMetadata<IHttpMethodMetadata>() is not null
            )
            .ToList();
        endpoints.Count.ShouldBeGreaterThan(80);
        foreach (var endpoint in endpoints)
        {
            var name =
                $"{endpoint.Metadata.GetMetadata<IHttpMethodMetadata>()!.HttpMethods[0]} {endpoint.RoutePattern.RawText}";
            var open = endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null;
            var policy = endpoint.Metadata.GetMetadata<IAuthorizeData>()?.Policy;
            (open ^ policy is not null).ShouldBeTrue($"{name} states who may call it, once");
            // One's own sign-out would end the session that the next calls need.
            if (name.StartsWith("DELETE /api/session", StringComparison.Ordinal))
                continue;
            foreach (var caller in new Role?[] { null, Role.Viewer, Role.Controller, Role.Manager, Role.Administrator })
            {
                var least = open ? (Role?)null : Enum.Parse<Role>(policy!.Split(',')[0], ignoreCase: true);
                var expected =
                    least is null ? (HttpStatusCode?)null
                    : caller is null ? HttpStatusCode.Unauthorized
                    : caller < least ? HttpStatusCode.Forbidden
                    : null;
                using var request = new HttpRequestMessage(
                    new(name.Split(' ')[0]),
                    Filled(endpoint.RoutePattern.RawText!)
                );
                // Not JSON, so that whoever is let in is refused for the body and nothing changes.
                if (request.Method != HttpMethod.Get)
                    request.Content = new StringContent("{", System.Text.Encoding.UTF8, "application/json");
                if (caller is { } role)
                    request.Headers.Add("Cookie", callers[role]);
                using var response = await client.SendAsync(request);
                if (expected is { } status)
                    response.StatusCode.ShouldBe(status, $"{name} as {caller?.ToString() ?? "nobody"}");
                else
                {
                    response.StatusCode.ShouldNotBe(
                        HttpStatusCode.Unauthorized,
                        $"{name} as {caller?.ToString() ?? "nobody"}"
                    );
                    response.StatusCode.ShouldNotBe(
                        HttpStatusCode.Forbidden,
                        $"{name} as {caller?.ToString() ?? "nobody"}"
                    );
                }
            }
        }

        static string Filled(string pattern) =>
            System.Text.RegularExpressions.Regex.Replace(
                pattern,
                @"\{\*?(\w+)(:long)?\}",
                m => m.Groups[2].Success ? "99999" : "none"
            );
    }

    [Fact]
    public async Task A_name_and_its_password_begin_a_session_that_sign_out_ends_for_good()
    {
        Add("ada", Role.Controller, new(5000, 100, 0, null));
        var (status, body, response) = await SignIn("ADA", TestApp.Password);
        status.ShouldBe(HttpStatusCode.OK);
        body.GetProperty("user").GetProperty("fullName").GetString().ShouldBe("F. ada");
        body.GetProperty("user").GetProperty("authority").GetProperty("limit").GetString().ShouldBe("5000.00");
        body.GetProperty("user")
            .GetProperty("authority")
            .GetProperty("writeOff")
            .ValueKind.ShouldBe(JsonValueKind.Null);
        var set = response.Headers.GetValues("Set-Cookie").Single();
        set.ShouldContain("httponly", Case.Insensitive);
        set.ShouldContain("samesite=strict", Case.Insensitive);
        var cookie = set.Split(';')[0];
        using var client = _app.Nobody();
        (await Status(client, "/api/accounts", cookie)).ShouldBe(HttpStatusCode.OK);

        using var signOut = new HttpRequestMessage(HttpMethod.Delete, "/api/session");
        signOut.Headers.Add("Cookie", cookie);
        (await client.SendAsync(signOut)).StatusCode.ShouldBe(HttpStatusCode.OK);
        // A copy of the cookie is worth nothing any more.
        (await Status(client, "/api/accounts", cookie)).ShouldBe(HttpStatusCode.Unauthorized);
    }

    [Fact]
    public async Task Wrong_passwords_are_refused_alike_and_slowed_down_and_right_ones_then_wait_too()
    {
        Add("ada", Role.Viewer);
        foreach (var _ in Enumerable.Range(0, 5))
        {
            var (status, body, _) = await SignIn("ada", "guess");
            status.ShouldBe(HttpStatusCode.BadRequest);
            body.GetProperty("errors")
                .GetProperty("password")[0]
                .GetString()
                .ShouldBe("The name or the password is not right.");
        }

        (await SignIn("nobody-of-that-name", "guess"))
            .Body.GetProperty("errors")
            .GetProperty("password")[0]
            .GetString()
            .ShouldBe("The name or the password is not right.");
        var (throttled, wait, response) = await SignIn("ada", TestApp.Password);
        throttled.ShouldBe(HttpStatusCode.TooManyRequests);
        wait.GetProperty("detail").GetString()!.ShouldStartWith("Wait ");
        response.Headers.RetryAfter!.Delta!.Value.TotalSeconds.ShouldBeInRange(1, 30);
    }

    [Fact]
    public async Task Who_is_deactivated_or_gets_another_password_is_signed_out()
    {
        var ada = Add("ada", Role.Viewer);
        using var client = _app.Nobody();
        var cookie = _app.Cookie("ada");
        (await _app.Post($"/api/users/{ada.Id}/password", new { password = "another-long-one" })).Status.ShouldBe(200);
        (await Status(client, "/api/accounts", cookie)).ShouldBe(HttpStatusCode.Unauthorized);
        (await SignIn("ada", TestApp.Password)).Status.ShouldBe(HttpStatusCode.BadRequest);
        var (_, _, response) = await SignIn("ada", "another-long-one");
        cookie = response.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
        (
            await _app.Send(
                HttpMethod.Put,
                $"/api/users/{ada.Id}",
                new { active = false, reason = "left" },
                ("If-Match", "1")
            )
        ).Status.ShouldBe(200);
        (await Status(client, "/api/accounts", cookie)).ShouldBe(HttpStatusCode.Unauthorized);
        (await SignIn("ada", "another-long-one")).Status.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_forged_cookie_or_another_pages_request_does_nothing()
    {
        using var client = _app.Nobody();
        (await Status(client, "/api/accounts", "kiteline=CfDJ8forged")).ShouldBe(HttpStatusCode.Unauthorized);
        (await Status(client, "/api/accounts", bearer: "kl_forged")).ShouldBe(HttpStatusCode.Unauthorized);
        foreach (
            var (name, value) in new[]
            {
                ("Origin", "https://elsewhere.example"),
                ("Sec-Fetch-Site", "cross-site"),
                ("Origin", "null"),
            }
        )
        {
            var (status, body) = await _app.Post("/api/accounts", new { name = "Forged Rope" }, (name, value));
            status.ShouldBe(403);
            body.GetProperty("detail").GetString()!.ShouldContain("another page");
        }

        (
            await _app.Post(
                "/api/accounts",
                new { name = "True Rope" },
                ("Origin", "http://localhost"),
                ("Sec-Fetch-Site", "same-origin")
            )
        ).Status.ShouldBe(200);
        (await _app.Get("/api/accounts")).GetProperty("total").GetInt32().ShouldBe(1);
    }

    [Fact]
    public async Task A_key_calls_with_its_role_and_no_authority_until_it_is_revoked()
    {
        var (status, made) = await _app.Post("/api/keys", new { name = "order desk", role = "controller" });
        status.ShouldBe(200);
        var secret = made.GetProperty("secret").GetString()!;
        using var client = _app.Nobody();
        (await Status(client, "/api/accounts", bearer: secret)).ShouldBe(HttpStatusCode.OK);
        (await Status(client, "/api/users", bearer: secret)).ShouldBe(HttpStatusCode.Forbidden);
        (await _app.Refused("/api/keys", new { name = "Order desk", role = "viewer" })).ShouldBe(["name"]);
        (await _app.Refused("/api/keys", new { name = "x", role = "administrator" })).ShouldBe(["role"]);
        var listed = (await _app.Get("/api/keys"))[0];
        listed.GetProperty("secret").ValueKind.ShouldBe(JsonValueKind.Null);
        (await _app.Post($"/api/keys/{listed.GetProperty("id").GetInt64()}/revoke", new { })).Status.ShouldBe(200);
        (await Status(client, "/api/accounts", bearer: secret)).ShouldBe(HttpStatusCode.Unauthorized);
        (await _app.Post($"/api/keys/{listed.GetProperty("id").GetInt64()}/revoke", new { })).Status.ShouldBe(400);
    }

    [Fact]
    public async Task The_last_administrator_stays_and_names_are_not_given_twice()
    {
        var tester = _app.Books.Read(c => UserStore.Find(c, "tester"))!.Value.User;
        foreach (var change in new object[] { new { role = "manager" }, new { active = false } })
            (await _app.Send(HttpMethod.Put, $"/api/users/{tester.Id}", change, ("If-Match", "1"))).Status.ShouldBe(
                400
            );
        (
            await _app.Send(HttpMethod.Put, $"/api/users/{tester.Id}", new { fullName = "Other" }, ("If-Match", "7"))
        ).Status.ShouldBe(412);
        (
            await _app.Refused(
                "/api/users",
                new
                {
                    name = "TESTER",
                    fullName = "A",
                    role = "viewer",
                    password = "long-enough-1",
                }
            )
        ).ShouldBe(["name"]);
        (
            await _app.Refused(
                "/api/users",
                new
                {
                    name = "a b",
                    fullName = "A",
                    role = "viewer",
                    password = "long-enough-1",
                }
            )
        ).ShouldBe(["name"]);
        (
            await _app.Refused(
                "/api/users",
                new
                {
                    name = "b",
                    fullName = "A",
                    role = "viewer",
                    password = "short",
                }
            )
        ).ShouldBe(["password"]);
        (
            await _app.Refused(
                "/api/users",
                new
                {
                    name = "b",
                    fullName = "A",
                    role = "boss",
                    password = "long-enough-1",
                    authority = new { limit = "-1" },
                }
            )
        ).ShouldBe(["authority.limit", "role"], ignoreOrder: true);
        (
            await _app.Post(
                "/api/users",
                new
                {
                    name = "b",
                    fullName = "B. Ee",
                    role = "controller",
                    password = "long-enough-1",
                    authority = new
                    {
                        limit = "5000",
                        release = "",
                        discount = "0",
                        writeOff = "0",
                    },
                }
            )
        ).Body.GetProperty("authority").GetProperty("release").ValueKind.ShouldBe(JsonValueKind.Null);
        (await _app.Get("/api/users/changes"))[0].GetProperty("action").GetString().ShouldBe("added");
    }

    [Fact]
    public async Task The_printed_code_makes_the_first_administrator_once()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-first");
        try
        {
            using var books = DataFolder.OpenCompany(folder.FullName);
            var first = books.Write("set-up", FirstCode.Renew)!;
            var code = books.Write("set-up", FirstCode.Renew)!;
            User Use(string with) => books.Write("set-up", tx => FirstCode.Use(tx, with, "ada", "A. Da", "hash"));
            Should.Throw<RefusedException>(() => Use(first)).Problems[0].Field.ShouldBe("code");
            Use(code.ToLowerInvariant()).Role.ShouldBe(Role.Administrator);
            Should.Throw<RefusedException>(() => Use(code));
            books.Write("set-up", FirstCode.Renew).ShouldBeNull();
        }
        finally
        {
            folder.Delete(recursive: true);
        }

        var (status, body) = await _app.Post(
            "/api/session/first",
            new
            {
                code = "WRNG-CODE-HERE",
                name = "x",
                fullName = "X",
                password = "long-enough-1",
            }
        );
        status.ShouldBe(400);
        body.GetProperty("errors").TryGetProperty("code", out _).ShouldBeTrue();
    }

    [Fact]
    public void Sessions_end_after_half_a_day()
    {
        var ada = Add("ada", Role.Viewer);
        var secret = _app.Books.Write("tests", tx => SessionStore.Begin(tx, ada, TimeSpan.FromHours(12)));
        var now = DateTimeOffset.UtcNow;
        _app.Books.Read(c => SessionStore.UserOf(c, secret, now.AddHours(11.9)))!.Name.ShouldBe("ada");
        _app.Books.Read(c => SessionStore.UserOf(c, secret, now.AddHours(12.1))).ShouldBeNull();
    }

    [Theory]
    [InlineData("short1234")]
    [InlineData("password1234")]
    [InlineData("Password2026!")]
    [InlineData("123456789012")]
    [InlineData("qwertyuiopas")]
    [InlineData("lkjhgfdsapoi")]
    [InlineData("aaaaaaaaaaaaaa")]
    [InlineData("abababababab")]
    [InlineData("ada-2026-ada")]
    [InlineData("kite line 2026")]
    [InlineData("sunshine12345")]
    [InlineData("letmeinletmein1")]
    [InlineData("Harbour-harbour-HARBOUR")]
    [InlineData("ada-2026ada-2026")]
    [InlineData("1111222233334444mast")]
    public void A_password_that_is_easily_guessed_is_refused(string password) =>
        Should
            .Throw<RefusedException>(() => Passwords.HashNew(password, "ada-2026"))
            .Problems[0]
            .Field.ShouldBe("password");

    [Theory]
    [InlineData("sail loft rope twelve")]
    [InlineData("salt-marsh-demo")]
    [InlineData("long-enough-1")]
    public void A_password_of_words_of_one_own_is_taken(string password) =>
        Passwords.HashNew(password, "ada").ShouldNotBeNullOrEmpty();

    [Fact]
    public async Task A_new_sign_in_ends_the_session_it_is_made_over_and_all_stand_in_the_log()
    {
        Add("ada", Role.Viewer);
        var former = _app.Cookie("ada");
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Add("Cookie", former);
        using var again = await client.PostAsJsonAsync(
            "/api/session",
            new { name = "ada", password = TestApp.Password }
        );
        again.StatusCode.ShouldBe(HttpStatusCode.OK);
        (await Status(_app.Nobody(), "/api/accounts", former)).ShouldBe(HttpStatusCode.Unauthorized);
        await SignIn("ada", "guess");
        var log = (await _app.Get("/api/users/sign-ins")).EnumerateArray().Take(3).ToList();
        log.Select(e => e.GetProperty("action").GetString()).ShouldBe(["refused", "signed in", "signed in"]);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }
}
