using System.Collections.Concurrent;
using System.Net.Http.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>A server that is killed while orders come in.</summary>
public sealed class KilledServerTests : IDisposable
{
    private const int Port = 5188,
        Senders = 4;
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-killed");

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task What_was_answered_is_stored_whole_and_what_was_not_is_there_whole_or_not_at_all()
    {
        string secret;
        using (var books = DataFolder.OpenCompany(_folder.FullName))
        {
            secret = books.Write(
                "tests",
                tx =>
                {
                    AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1_000_000));
                    return ApiKeyStore.Make(tx, "shop", Role.Controller).Secret;
                }
            );
        }

        var answered = new ConcurrentDictionary<string, bool>();
        var unsure = new ConcurrentBag<string>();
        for (var round = 0; round < 3; round++)
        {
            using var client = new HttpClient { BaseAddress = new($"http://127.0.0.1:{Port}") };
            client.DefaultRequestHeaders.Authorization = new("Bearer", secret);
            using var server = await ServerProcess.Serve(_folder.FullName, Port);
            // What got no answer is sent again with its key, as a careful caller does.
            foreach (var number in unsure)
                (await Send(client, number)).ShouldBeTrue();
            foreach (var number in unsure)
                answered[number] = true;
            unsure.Clear();
            var enough = answered.Count + 15 + (round * 4);
            var prefix = $"R{round}";
            var senders = Enumerable
                .Range(0, Senders)
                .Select(async s =>
                {
                    for (var i = 0; ; i++)
                    {
                        var number = $"{prefix}-{s}-{i}";
                        if (await Send(client, number))
                            answered[number] = true;
                        else
                        {
                            unsure.Add(number);
                            return;
                        }

                        if (answered.Count >= enough)
                            server.Kill();
                    }
                })
                .ToList();
            await Task.WhenAll(senders);

            unsure.Count.ShouldBe(Senders);
            using var books = DataFolder.OpenCompany(_folder.FullName);
            books.Read(Verifier.Check).ShouldBeEmpty();
            var stored = books.Read(c => OrderStore.Of(c, AccountStore.Get(c, "PEL01")));
            answered.Keys.Except(stored.Select(o => o.Number)).ShouldBeEmpty();
            stored.Select(o => o.Number).Except(answered.Keys).Except(unsure).ShouldBeEmpty();
            stored.ShouldAllBe(o => o.Events.Count == 1 && o.Last.Step.Approved == 1000);
            stored.Select(o => o.Number).ShouldBeUnique();
        }
    }

    private static async Task<bool> Send(HttpClient client, string number)
    {
        using var request = new HttpRequestMessage(
            HttpMethod.Post,
            new Uri("/api/accounts/PEL01/orders", UriKind.Relative)
        )
        {
            Content = JsonContent.Create(new { number, total = "10.00" }),
        };
        request.Headers.Add("Idempotency-Key", number);
        try
        {
            using var response = await client.SendAsync(request);
            ((int)response.StatusCode).ShouldBe(200, await response.Content.ReadAsStringAsync());
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }
}
