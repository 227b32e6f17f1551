using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The operator's log: one form, no secrets, no texts of customers.</summary>
public sealed class LogsTests : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-logs");

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task Each_line_is_a_record_and_bears_no_secret_and_no_text_of_a_customer()
    {
        var port = ServerProcess.FreePort();
        const string Password = "a wrong word of mine";
        using var server = await ServerProcess.Serve(
            _folder.FullName,
            port,
            new() { ["KITELINE_LOG"] = "Information" }
        );
        using var http = new HttpClient { BaseAddress = new($"http://127.0.0.1:{port}") };
        (
            await http.PostAsJsonAsync("/api/session", new { name = "somebody", password = Password })
        ).IsSuccessStatusCode.ShouldBeFalse();
        http.DefaultRequestHeaders.Authorization = new("Bearer", "a-key-that-is-none");
        (await http.GetAsync("/api/accounts/CUSTOMER01?q=Pellworm")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        (await http.GetAsync("/health")).StatusCode.ShouldBe(HttpStatusCode.OK);
        SpinWait.SpinUntil(() => server.Told.Any(l => l.Contains("\"/health\"", StringComparison.Ordinal)), 20_000);

        var lines = server.Told.ToArray();
        foreach (var line in lines)
            JsonDocument.Parse(line).RootElement.GetProperty("@t").GetDateTimeOffset().ShouldNotBe(default);
        var told = string.Join('\n', lines);
        foreach (var secret in new[] { Password, "somebody", "a-key-that-is-none", "CUSTOMER01", "Pellworm" })
            told.ShouldNotContain(secret);
        var refused = lines
            .Select(l => JsonDocument.Parse(l).RootElement)
            .Single(l => l.TryGetProperty("Route", out var route) && route.GetString() == "/api/accounts/{code}");
        refused.GetProperty("StatusCode").GetInt32().ShouldBe(401);
        refused.GetProperty("Caller").GetString().ShouldBe("nobody signed in");
    }

    [Fact]
    public async Task A_level_that_is_none_is_refused_in_words()
    {
        using var process = ServerProcess.StartWith(
            new() { ["KITELINE_LOG"] = "loud" },
            "serve",
            "--data",
            _folder.FullName,
            "--port",
            $"{ServerProcess.FreePort()}"
        );
        await process.WaitForExitAsync();
        process.ExitCode.ShouldBe(2);
        (await process.StandardError.ReadToEndAsync())
            .Trim()
            .ShouldBe("KITELINE_LOG is loud; give Debug, Information, Warning or Error.");
    }
}
