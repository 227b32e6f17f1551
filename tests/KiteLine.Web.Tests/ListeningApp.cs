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
        _books.Write(
            "tests",
            tx =>
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = "tester",
                        FullName = "T. Ester",
                        Role = Role.Administrator,
                        Authority = Authority.Unbounded,
                    },
                    Passwords.Hash(TestApp.Password)
                )
        );
        using var signedIn = await SignIn();
        Client.DefaultRequestHeaders.Add("Cookie", signedIn.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
    }

    internal Task<HttpResponseMessage> SignIn() =>
        Client.PostAsJsonAsync("/api/session", new { name = "tester", password = TestApp.Password });

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
