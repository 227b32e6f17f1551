using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Two servers on one folder: nothing is lost, nothing doubled, and each shows what the other stored.</summary>
public sealed class TwoServersTests : IDisposable
{
    private const int Receipts = 30;
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-two");

    public void Dispose() => _folder.Delete(recursive: true);

    private string Company()
    {
        using var books = DataFolder.OpenCompany(_folder.FullName);
        return books.Write(
            "tests",
            tx =>
            {
                foreach (var code in new[] { "PEL01", "HAR01" })
                    AccountStore.Open(tx, new($"Customer {code}", Code: code));
                return ApiKeyStore.Make(tx, "shop", Role.Controller).Secret;
            }
        );
    }

    [Fact]
    public async Task What_is_posted_through_both_at_once_stands_once_and_is_shown_by_both()
    {
        var secret = Company();
        HttpClient Client(int port)
        {
            var client = new HttpClient { BaseAddress = new($"http://127.0.0.1:{port}") };
            client.DefaultRequestHeaders.Authorization = new("Bearer", secret);
            return client;
        }

        var (one, two) = (ServerProcess.FreePort(), ServerProcess.FreePort());
        using var first = await ServerProcess.Serve(_folder.FullName, one);
        using var second = await ServerProcess.Serve(_folder.FullName, two);
        HttpClient[] servers = [Client(one), Client(two)];
        try
        {
            // Both have the book in memory before the other writes.
            foreach (var server in servers)
                (await server.GetAsync("/api/accounts")).IsSuccessStatusCode.ShouldBeTrue();
            var answers = await Task.WhenAll(
                Enumerable.Range(1, Receipts).SelectMany(i => servers.Select(server => Post(server, i)))
            );
            foreach (var same in answers.GroupBy(a => a.Key, a => a.Text))
                same.Distinct().Count().ShouldBe(1, same.Key);

            // Receipt i brings i pounds: the odd ones to one account, the even ones to the other.
            foreach (var server in servers)
            {
                var items = (await server.GetFromJsonAsync<JsonElement>("/api/accounts?sort=code"))
                    .GetProperty("items")
                    .EnumerateArray()
                    .Select(a => $"{a.GetProperty("code")} {a.GetProperty("exposure")}");
                items.ShouldBe(["HAR01 -240.00", "PEL01 -225.00"]);
            }
        }
        finally
        {
            foreach (var server in servers)
                server.Dispose();
        }

        using var books = DataFolder.OpenCompany(_folder.FullName);
        books.Read(Verifier.Check).ShouldBeEmpty();
        books.Read(c => AccountStore.Get(c, "PEL01").Code).ShouldBe("PEL01");
    }

    private static async Task<(string Key, string Text)> Post(HttpClient server, int i)
    {
        using var request = new HttpRequestMessage(
            HttpMethod.Post,
            $"/api/accounts/{(i % 2 == 0 ? "HAR01" : "PEL01")}/receipts"
        )
        {
            Content = JsonContent.Create(
                new
                {
                    valueDate = $"{DateTime.UtcNow.AddDays(-2):yyyy-MM-dd}",
                    cash = $"{i}.00",
                    items = Array.Empty<object>(),
                }
            ),
        };
        request.Headers.Add("Idempotency-Key", $"receipt-{i}");
        using var answer = await server.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        answer.IsSuccessStatusCode.ShouldBeTrue(text);
        return ($"receipt-{i}", text);
    }
}
