using System.Net;
using System.Net.Http.Json;
using System.Text;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.Builder;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The application on a port of this machine, as it is served: addresses, headers and sizes count there.</summary>
public sealed class ListeningApp : IAsyncLifetime
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-listening");
    private readonly Books _books;
    private readonly Desk _desk;
    private readonly WebApplication _app;

    public ListeningApp()
    {
        _books = DataFolder.OpenCompany(_folder.FullName);
        _desk = new(_books, false);
        _app = WebApp.Build(_desk, null, reachable: Reachable.Of(["credit.example"], [IPAddress.Loopback.ToString()]));
        _app.Urls.Add("http://127.0.0.1:0");
    }

    internal HttpClient Client { get; private set; } = null!;

    internal Books Books => _books;

    public async ValueTask InitializeAsync()
    {
        await _app.StartAsync();
        Client = new HttpClient(new HttpClientHandler { UseCookies = false })
        {
            BaseAddress = new Uri(_app.Urls.Single()),
        };
        Client = await SignedIn("tester", Role.Administrator);
    }

    /// <summary>A client that a new user of this name has signed in with.</summary>
    internal async Task<HttpClient> SignedIn(string name, Role role)
    {
        _books.Write(
            "tests",
            tx =>
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = name,
                        FullName = $"T. {name}",
                        Role = role,
                        Authority = role == Role.Administrator ? Authority.Unbounded : Authority.None,
                    },
                    Passwords.Hash(TestApp.Password)
                )
        );
        var client = new HttpClient(new HttpClientHandler { UseCookies = false }) { BaseAddress = Address };
        using var signedIn = await client.PostAsJsonAsync("/api/session", new { name, password = TestApp.Password });
        client.DefaultRequestHeaders.Add(
            "Cookie",
            signedIn.EnsureSuccessStatusCode().Headers.GetValues("Set-Cookie").Single().Split(';')[0]
        );
        return client;
    }

    private Uri Address => new(_app.Urls.Single());

    internal Task<HttpResponseMessage> Post(string path, string json, string type = "application/json") =>
        Client.PostAsync(
            new Uri(path, UriKind.Relative),
            new ByteArrayContent(Encoding.UTF8.GetBytes(json)) { Headers = { { "Content-Type", type } } }
        );

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app.DisposeAsync();
        _desk.Dispose();
        _books.Dispose();
        _folder.Delete(recursive: true);
    }
}
