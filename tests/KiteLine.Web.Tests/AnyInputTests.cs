using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Whatever is sent to whichever address, the answer names what is wrong; the program never fails on it and the books
/// stay sound.
/// </summary>
public sealed class AnyInputTests : IDisposable
{
    private static readonly JsonNode Description = JsonNode.Parse(
        File.ReadAllText(Repository.File("web", "openapi.json"))
    )!;

    private static readonly string[] Nasty =
    [
        "null",
        "\"\"",
        "\"   \"",
        "\"abc\"",
        "\"-1\"",
        "\"1e400\"",
        "\"0\"",
        "\"999999999999999999999\"",
        "\"1.005\"",
        "\"2026-02-30\"",
        "\"9999-12-31\"",
        "\"0001-01-01\"",
        "\"'; DROP TABLE account\"",
        "\"\\u0000\"",
        "\"😀\"",
        $"\"{new string('x', 5000)}\"",
        "{}",
        "[]",
        "true",
        "1",
        "-5",
        "1.5",
        "[null]",
        "[{}]",
        "[[]]",
    ];

    private static readonly Dictionary<string, string[]> Places = new()
    {
        ["code"] = ["PEL01", "NOBODY", "a b", "100%"],
        ["name"] = ["Windlass", "Nobody", new string('x', 300)],
        ["kind"] = ["terms", "nothing"],
    };

    private readonly TestApp _app = new();

    public AnyInputTests() =>
        _app.Books.Write(
            "tests",
            tx => AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1000, GroupName: "Windlass"))
        );

    public void Dispose() => _app.Dispose();

    public static TheoryData<int> Seeds => [.. LongForm.Seeds(1, 2)];

    [Theory]
    [MemberData(nameof(Seeds))]
    public async Task Every_address_answers_bad_input_in_words(int seed)
    {
        var random = new Random(seed);
        var answered = 0;
        foreach (var (path, operations) in Description["paths"]!.AsObject())
        {
            // These end the session that the rest of the test needs.
            if (
                path.StartsWith("/api/session", StringComparison.Ordinal)
                || path.StartsWith("/api/users", StringComparison.Ordinal)
            )
                continue;
            foreach (var (verb, operation) in operations!.AsObject())
            {
                for (var i = 0; i < 6; i++)
                {
                    using var request = Request(path, verb, operation!, i, random);
                    using var response = await LongForm.Held(
                        $"{request.Method} {request.RequestUri} seed {seed}",
                        () => _app.Client.SendAsync(request)
                    );
                    var text = await response.Content.ReadAsStringAsync();
                    var sent =
                        $"{verb} {request.RequestUri} "
                        + $"{(request.Content is null ? "" : await request.Content.ReadAsStringAsync())}";
                    ((int)response.StatusCode).ShouldBeLessThan(500, sent[..Math.Min(sent.Length, 600)]);
                    if ((int)response.StatusCode == 400)
                        JsonNode
                            .Parse(text)!["errors"]
                            .ShouldNotBeNull($"{sent[..Math.Min(sent.Length, 600)]}: {text}");
                    answered++;
                }
            }
        }

        answered.ShouldBeGreaterThan(600);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    private static HttpRequestMessage Request(string path, string verb, JsonNode operation, int i, Random random)
    {
        var place = System.Text.RegularExpressions.Regex.Replace(
            path,
            @"\{(\w+)[^}]*\}",
            m => Uri.EscapeDataString(One(Places.GetValueOrDefault(m.Groups[1].Value, ["1", "99999", "zzz"]), random))
        );
        var query = (operation["parameters"]?.AsArray() ?? [])
            .Where(p => (string?)p!["in"] == "query" && random.Next(3) == 0)
            .Select(p => $"{p!["name"]}={Uri.EscapeDataString(Short(One(Nasty, random)))}");
        var request = new HttpRequestMessage(
            new(verb.ToUpperInvariant()),
            new Uri($"{place}?{string.Join('&', query)}", UriKind.Relative)
        );
        request.Headers.TryAddWithoutValidation(
            "If-Match",
            One(["\"1\"", "\"x\"", "1", "\"99999999999999999999\""], random)
        );
        if (verb == "get" || operation["requestBody"] is not { } body)
            return request;
        var type = body["content"]!.AsObject().First().Key;
        request.Content = new StringContent(
            type == "application/json"
                ? i switch
                {
                    0 => "{",
                    1 => "null",
                    2 => "[]",
                    _ => Body(body["content"]![type]!["schema"], random),
                }
                : "\uFEFF;\0",
            Encoding.UTF8
        );
        request.Content.Headers.ContentType = MediaTypeHeaderValue.Parse(
            type == "*/*" ? "application/octet-stream" : type
        );
        return request;
    }

    // Any of the fields it wants, each with something it may not expect.
    private static string Body(JsonNode? schema, Random random)
    {
        while (schema?["$ref"] is { } to)
            schema = Description["components"]!["schemas"]![((string)to!).Split('/')[^1]];
        var fields = (schema?["properties"]?.AsObject() ?? [])
            .Where(_ => random.Next(7) > 0)
            .Select(p => $"{JsonSerializer.Serialize(p.Key)}:{One(Nasty, random)}");
        return $"{{{string.Join(',', fields)}}}";
    }

    private static string Short(string value) => value.Trim('"') is var text ? text[..Math.Min(text.Length, 40)] : "";

    private static T One<T>(T[] of, Random random) => of[random.Next(of.Length)];
}
