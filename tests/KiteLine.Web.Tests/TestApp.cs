using System.Net.Http.Json;
using System.Text.Json;
using KiteLine.Store;
using KiteLine.Tests;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.Options;
using Shouldly;

namespace KiteLine.Web.Tests;

/// <summary>The application on the test server, over books in a folder of its own.</summary>
public class TestApp : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-web");
    private readonly WebApplication _app;

    public TestApp()
        : this(folder =>
        {
            EmptyBooks.PutAt(Path.Combine(folder, "books.db"));
            return DataFolder.OpenCompany(folder);
        }) { }

    protected TestApp(Func<string, Books> open)
    {
        ArgumentNullException.ThrowIfNull(open);
        Books = open(_folder.FullName);
        Desk = new Desk(Books, false);
        _app = WebApp.Build(Desk, null, builder => builder.WebHost.UseTestServer());
        _app.StartAsync().GetAwaiter().GetResult();
        Client = _app.GetTestClient();
        if (!Books.Read(UserStore.Any))
            Books.Write(
                "tests",
                tx =>
                    UserStore.Add(
                        tx,
                        new()
                        {
                            Name = "tester",
                            FullName = "T. Ester",
                            Role = KiteLine.Core.Role.Administrator,
                            Authority = KiteLine.Core.Authority.Unbounded,
                        },
                        TesterHash
                    )
            );
        Client.DefaultRequestHeaders.Add(
            "Cookie",
            Cookie(Books.Read(c => UserStore.Find(c, "tester")) is null ? "castellane" : "tester")
        );
    }

    internal const string Password = KiteLine.Demo.DemoUsers.Password;

    // Of one round: checking it takes no time, and what a hash is made of stands in it.
    private static readonly string TesterHash = new PasswordHasher<string>(
        Options.Create(new PasswordHasherOptions { IterationCount = 1 })
    ).HashPassword("", Password);

    /// <summary>A client that is not signed in.</summary>
    internal HttpClient Nobody() => _app.GetTestClient();

    internal IServiceProvider Services => _app.Services;

    /// <summary>Signs in and gives the cookie.</summary>
    internal string Cookie(string name)
    {
        using var client = _app.GetTestClient();
        using var response = client
            .PostAsJsonAsync("/api/session", new { name, password = Password })
            .GetAwaiter()
            .GetResult();
        return response.EnsureSuccessStatusCode().Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }

    internal string Folder => _folder.FullName;

    internal Books Books { get; }

    internal Desk Desk { get; }

    internal HttpClient Client { get; }

    internal async Task<JsonElement> Get(string path)
    {
        var response = await Client.GetAsync(new Uri(path, UriKind.Relative));
        var text = await response.Content.ReadAsStringAsync();
        ((int)response.StatusCode).ShouldBe(200, $"{path}: {text}");
        return JsonDocument.Parse(text).RootElement;
    }

    internal async Task<(int Status, JsonElement Body)> Send(
        HttpMethod method,
        string path,
        object body,
        params (string Name, string Value)[] headers
    )
    {
        using var request = new HttpRequestMessage(method, new Uri(path, UriKind.Relative))
        {
            Content = body is string text
                ? new StringContent(text, System.Text.Encoding.UTF8, "application/json")
                : JsonContent.Create(body),
        };
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        using var response = await Client.SendAsync(request);
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    internal Task<(int Status, JsonElement Body)> Post(
        string path,
        object body,
        params (string Name, string Value)[] headers
    ) => Send(HttpMethod.Post, path, body, headers);

    /// <summary>Sends what must be refused and gives the fields that the answer names.</summary>
    internal async Task<string[]> Refused(string path, object body)
    {
        var (status, problem) = await Post(path, body);
        status.ShouldBe(400, problem.ToString());
        problem.GetProperty("title").GetString().ShouldNotBeNullOrEmpty();
        problem.GetProperty("detail").GetString().ShouldNotBeNullOrEmpty();
        return [.. problem.GetProperty("errors").EnumerateObject().Select(e => e.Name)];
    }

    public void Dispose()
    {
        GC.SuppressFinalize(this);
        Client.Dispose();
        // The work behind the requests ends before the books are closed beneath it.
        _app.StopAsync().GetAwaiter().GetResult();
        _app.DisposeAsync().AsTask().GetAwaiter().GetResult();
        Desk.Dispose();
        Books.Dispose();
        try
        {
            _folder.Delete(recursive: true);
        }
        catch (IOException)
        {
            // SQLite takes its own files away while the folder is being emptied; then it is empty at the second try.
            _folder.Delete(recursive: true);
        }
    }
}

/// <summary>
/// The application over the demo company, made once for all tests that only read it. Where the test command has made the
/// demo already, a copy of that is taken.
/// </summary>
public sealed class DemoApp() : TestApp(folder => DataFolder.OpenDemo(Prepared(folder), false, _ => { }))
{
    private static string Prepared(string folder)
    {
        if (Environment.GetEnvironmentVariable("KITELINE_PREPARED_DEMO") is { Length: > 0 } prepared)
        {
            Directory.CreateDirectory(Path.Combine(folder, "demo"));
            File.Copy(Path.Combine(prepared, "demo", "books.db"), Path.Combine(folder, "demo", "books.db"));
        }

        return folder;
    }
}
