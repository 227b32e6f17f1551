using System.Text;
using System.Text.Json;

namespace KiteLine.Bench;

/// <summary>Calls the served book with a key, as another program does.</summary>
internal sealed class Caller : IDisposable
{
    private readonly HttpClient _client;

    internal Caller(int port, string key)
    {
        _client = new() { BaseAddress = new Uri($"http://127.0.0.1:{port}"), Timeout = TimeSpan.FromMinutes(5) };
        _client.DefaultRequestHeaders.Authorization = new("Bearer", key);
    }

    internal void Get(string path)
    {
        using var response = _client
            .GetAsync(new Uri(path, UriKind.Relative), HttpCompletionOption.ResponseHeadersRead)
            .GetAwaiter()
            .GetResult();
        response.EnsureSuccessStatusCode();
        response.Content.CopyTo(Stream.Null, null, CancellationToken.None);
    }

    internal async Task GetAsync(string path)
    {
        using var response = await _client.GetAsync(new Uri(path, UriKind.Relative));
        response.EnsureSuccessStatusCode();
    }

    internal JsonElement Fetch(string path)
    {
        using var response = _client.GetAsync(new Uri(path, UriKind.Relative)).GetAwaiter().GetResult();
        return Answer(response);
    }

    internal JsonElement Send(string path, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        content.Headers.Add("Idempotency-Key", $"{Guid.NewGuid()}");
        using var response = _client.PostAsync(new Uri(path, UriKind.Relative), content).GetAwaiter().GetResult();
        return Answer(response);
    }

    private static JsonElement Answer(HttpResponseMessage response)
    {
        var text = response.Content.ReadAsStringAsync().GetAwaiter().GetResult();
        return response.IsSuccessStatusCode
            ? JsonDocument.Parse(text).RootElement
            : throw new InvalidOperationException($"{response.RequestMessage?.RequestUri}: {text}");
    }

    internal void Post(string path, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        content.Headers.Add("Idempotency-Key", $"{Guid.NewGuid()}");
        using var response = _client.PostAsync(new Uri(path, UriKind.Relative), content).GetAwaiter().GetResult();
        response.EnsureSuccessStatusCode();
        response.Content.CopyTo(Stream.Null, null, CancellationToken.None);
    }

    internal bool Answers()
    {
        try
        {
            Get("/health");
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    public void Dispose() => _client.Dispose();
}
