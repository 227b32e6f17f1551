using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Every text and list of every request has a bound, which the description states and the program holds to, however deep
/// it lies in the request.
/// </summary>
public sealed partial class InputBoundsTests(InputBoundsTests.App app) : IClassFixture<InputBoundsTests.App>
{
    public sealed class App : TestApp;

    private static readonly JsonNode Description = JsonNode.Parse(
        File.ReadAllText(Repository.File("web", "openapi.json"))
    )!;

    private sealed record Place(string Path, int Most, bool IsList, bool OfNumbers, Func<JsonNode, JsonObject> Body);

    private static JsonNode Resolved(JsonNode schema) =>
        (string?)schema["$ref"] is { } name
            ? Description["components"]!["schemas"]![name.Split('/')[^1]]!
            : (
                schema["oneOf"]?.AsArray().FirstOrDefault(s => s!["$ref"] is not null) is { } one
                    ? Resolved(one)
                    : schema
            );

    private static bool Is(JsonNode schema, string type) =>
        schema["type"] is JsonArray types ? types.Any(t => (string?)t == type) : (string?)schema["type"] == type;

    // Where a request may hold a text or a list, with a body that holds a given value there and nothing else.
    private static IEnumerable<Place> Places(JsonNode schema, string at, Func<JsonNode, JsonObject> within, int depth)
    {
        foreach (var (name, property) in Resolved(schema)["properties"]?.AsObject() ?? [])
        {
            var inner = Resolved(property!);
            JsonObject Holding(JsonNode value) => within(new JsonObject { [name] = value });
            if (Is(inner, "string"))
                yield return new(at + name, (int?)inner["maxLength"] ?? -1, false, false, Holding);
            else if (Is(inner, "array"))
            {
                yield return new(
                    at + name,
                    (int?)inner["maxItems"] ?? -1,
                    true,
                    Is(Resolved(inner["items"]!), "integer"),
                    Holding
                );
                if (depth > 0)
                    foreach (
                        var place in Places(
                            inner["items"]!,
                            $"{at}{name}[0].",
                            value => Holding(new JsonArray(value)),
                            depth - 1
                        )
                    )
                        yield return place;
            }
            else if (Is(inner, "object") && depth > 0)
                foreach (var place in Places(inner, $"{at}{name}.", Holding, depth - 1))
                    yield return place;
        }
    }

    private static IEnumerable<(string Verb, string Path, Place Place)> All() =>
        from path in Description["paths"]!.AsObject()
        from operation in path.Value!.AsObject()
        let schema = operation.Value!["requestBody"]?["content"]?["application/json"]?["schema"]
        where schema is not null
        from place in Places(schema, "", value => value.AsObject(), 4)
        select (operation.Key, path.Key, place);

    private async Task<(int Status, JsonNode? Errors)> Send(string verb, string path, JsonObject body)
    {
        using var request = new HttpRequestMessage(
            new(verb.ToUpperInvariant()),
            new Uri(Parameter().Replace(path, "1"), UriKind.Relative)
        )
        {
            Content = new StringContent(body.ToJsonString(), Encoding.UTF8, "application/json"),
        };
        request.Headers.IfMatch.Add(new EntityTagHeaderValue("\"1\""));
        using var response = await app.Client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return ((int)response.StatusCode, text.StartsWith('{') ? JsonNode.Parse(text)!["errors"] : null);
    }

    [Fact]
    public void Every_text_and_list_of_a_request_states_its_bound()
    {
        var places = All().ToList();
        places.Count.ShouldBeGreaterThan(250);
        places
            .Where(p => p.Place.Most is < 1 or > Bounds.CalendarFile)
            .Select(p => $"{p.Path} {p.Place.Path}")
            .ShouldBeEmpty();
    }

    [Fact]
    public async Task What_goes_beyond_is_refused_by_the_name_of_its_field()
    {
        var wrong = new List<string>();
        foreach (var (verb, path, place) in All())
        {
            var (most, name) = (place.Most, place.Path);
            JsonNode beyond = place.IsList
                ? new JsonArray([.. Enumerable.Range(0, most + 1).Select(_ => place.OfNumbers ? (JsonNode?)1 : null)])
                : new string('x', most + 1);
            var (status, errors) = await Send(verb, path, place.Body(beyond));
            if (status != 400 || errors?[name] is null)
                wrong.Add($"{verb} {path} {name}: {status} {errors?.ToJsonString()}");
        }

        wrong.ShouldBeEmpty();
    }

    [Fact]
    public async Task Control_characters_and_marks_of_direction_are_refused_in_every_text()
    {
        var wrong = new List<string>();
        foreach (var (verb, path, place) in All().Where(p => !p.Place.IsList))
        foreach (var hidden in new[] { "\u0007", "\u202E", "\u0000" })
        {
            var (status, errors) = await Send(verb, path, place.Body($"a{hidden}b"));
            if (status != 400 || errors?[place.Path] is null)
                wrong.Add($"{verb} {path} {place.Path}: {status}");
        }

        wrong.ShouldBeEmpty();
    }

    [GeneratedRegex(@"\{\w+[^}]*\}")]
    private static partial Regex Parameter();
}
