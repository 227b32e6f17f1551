using KiteLine.Web;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Http.Timeouts;
using Microsoft.AspNetCore.RateLimiting;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>What takes long takes turns and has a time; so whoever looks at the board is not kept waiting by it.</summary>
public sealed class HeavyWorkTests : IDisposable
{
    // They give or take a file that is no larger than a page.
    private static readonly string[] Small =
    [
        "attach",
        "getAttachment",
        "getReminderLetter",
        "previewReminderLetter",
        "tryOutReminder",
    ];

    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    [Fact]
    public void Every_address_that_gives_or_takes_a_table_takes_turns()
    {
        var files = _app
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.Where(e =>
                e.Metadata.GetOrderedMetadata<IAcceptsMetadata>().Any(a => a.ContentTypes.Contains("*/*"))
                || e.Metadata.GetOrderedMetadata<IProducesResponseTypeMetadata>()
                    .Any(p => p.StatusCode == 200 && p.Type == typeof(byte[]))
            )
            .Where(e => !Small.Contains(e.Metadata.GetMetadata<IEndpointNameMetadata>()?.EndpointName))
            .ToList();
        files.Count.ShouldBeGreaterThan(5);
        foreach (var endpoint in files)
        {
            endpoint.Metadata.GetMetadata<EnableRateLimitingAttribute>().ShouldNotBeNull(endpoint.DisplayName);
            endpoint.Metadata.GetMetadata<RequestTimeoutAttribute>().ShouldNotBeNull(endpoint.DisplayName);
        }
    }

    [Fact]
    public async Task More_than_can_wait_are_told_so_and_the_board_answers_meanwhile()
    {
        var exports = Enumerable
            .Range(0, 60)
            .Select(_ => Task.Run(() => _app.Client.GetAsync(new Uri("/api/exchange/customers", UriKind.Relative))))
            .ToList();
        (await _app.Get("/api/accounts")).GetProperty("total").GetInt32().ShouldBe(1);
        var answers = await Task.WhenAll(exports);
        answers.ShouldAllBe(a => (int)a.StatusCode == 200 || (int)a.StatusCode == 503);
        answers.ShouldContain(a => (int)a.StatusCode == 200);
        foreach (var busy in answers.Where(a => (int)a.StatusCode == 503))
            (await busy.Content.ReadAsStringAsync()).ShouldContain("try again");
    }
}
