using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Each operation that writes says what it lets go of, and which test tries it.</summary>
public sealed partial class LettingGoTableTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    private static string Part =>
        File.ReadAllText(Repository.File("docs", "security.md"))
            .Split("\n## ")
            .Single(p => p.StartsWith("What lets go of money", StringComparison.Ordinal));

    [Fact]
    public void Every_operation_that_writes_stands_in_one_of_the_lists_once()
    {
        var writing = _app
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.Where(e =>
                e.Metadata.GetMetadata<IHttpMethodMetadata>()?.HttpMethods.Any(m => m is not ("GET" or "HEAD")) == true
            )
            .Select(e => e.Metadata.GetMetadata<IEndpointNameMetadata>()?.EndpointName)
            .OfType<string>()
            .ToArray();
        writing.Length.ShouldBeGreaterThan(100);
        // The first column of the table, and what comes after it.
        var listed = Part.Split('\n')
            .Select(line => line.StartsWith('|') ? line.Split('|')[1] : line)
            .SelectMany(line => Name().Matches(line).Select(m => m.Groups[1].Value))
            .Where(name => char.IsAsciiLetterLower(name[0]))
            .ToArray();
        listed.ShouldBe(writing, ignoreOrder: true);
    }

    [Fact]
    public void Each_row_names_tests_that_there_are()
    {
        var rows = Part.Split('\n').Where(line => line.StartsWith("| `", StringComparison.Ordinal)).ToArray();
        rows.ShouldNotBeEmpty();
        foreach (var row in rows)
        {
            var named = Name().Matches(row.Split('|')[4]).Select(m => m.Groups[1].Value).ToArray();
            named.ShouldNotBeEmpty(row);
            foreach (var test in named)
                Directory
                    .EnumerateFiles(Repository.File("tests"), $"{test}.cs", SearchOption.AllDirectories)
                    .ShouldNotBeEmpty(test);
        }
    }

    [GeneratedRegex("`([A-Za-z]+)`")]
    private static partial Regex Name();
}
