using System.Globalization;
using System.Text.Json.Nodes;
using Dapper;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// A request that is right is accepted; with one field spoilt it is accepted, or refused in words with the books as they
/// were. So a test of bad input cannot pass because nothing is ever accepted.
/// </summary>
public sealed class SpoiltFieldTests : IDisposable
{
    private static readonly string[] Nasty =
    [
        "{}",
        "\"abc\"",
        "\"1.0051\"",
        "\"0001-01-01\"",
        $"\"{new string('x', 5000)}\"",
    ];

    private readonly OneAccountApp _app = new();
    private int _made;

    public void Dispose() => _app.Dispose();

    private string Day(int later) => _app.Today.AddDays(later).ToString("O", CultureInfo.InvariantCulture);

    // Each time another number or name, where these must be unique.
    private (string Path, JsonObject Body) Good(string what)
    {
        var n = ++_made;
        return what switch
        {
            "account" => ("/api/accounts", new() { ["name"] = $"Another {n}", ["limit"] = "100.00" }),
            "limit" => (
                "/api/accounts/PEL01/limit",
                new()
                {
                    ["amount"] = "2000.00",
                    ["from"] = Day(0),
                    ["source"] = "guarantee",
                    ["reason"] = "more trade",
                }
            ),
            "state" => (
                "/api/accounts/PEL01/state",
                new()
                {
                    ["state"] = n % 2 == 0 ? "open" : "watch",
                    ["from"] = Day(0),
                    ["reason"] = "looked at",
                }
            ),
            "log" => (
                "/api/accounts/PEL01/log",
                new()
                {
                    ["kind"] = "call",
                    ["on"] = Day(0),
                    ["contact"] = "Ada",
                    ["text"] = "rang",
                }
            ),
            "order" => (
                "/api/accounts/PEL01/orders",
                new()
                {
                    ["number"] = $"SO-{n}",
                    ["date"] = Day(0),
                    ["total"] = "1.00",
                    ["reason"] = "season",
                }
            ),
            "opening item" => (
                "/api/accounts/PEL01/opening-items",
                new()
                {
                    ["document"] = $"OLD-{n}",
                    ["type"] = "invoice",
                    ["date"] = Day(-40),
                    ["due"] = Day(-10),
                    ["amount"] = "12.00",
                    ["tax"] = "2.00",
                }
            ),
            "view" => (
                "/api/views",
                new()
                {
                    ["name"] = $"View {n}",
                    ["query"] = "filter=stop",
                    ["shared"] = false,
                }
            ),
            "terms" => (
                "/api/policies/terms",
                new()
                {
                    ["code"] = $"T{n}",
                    ["text"] = "2/10 n/30",
                    ["reason"] = "",
                }
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(what), what, "No such request."),
        };
    }

    // Rows and a hash of all that stands in them.
    private static string Contents(IEnumerable<dynamic> rows)
    {
        var (count, hash) = (0, new HashCode());
        foreach (IDictionary<string, object?> row in rows)
        {
            count++;
            foreach (var value in row.Values)
                hash.Add(value is byte[] bytes ? Convert.ToHexString(bytes) : value);
        }

        return $"{count}/{hash.ToHashCode()}";
    }

    [Theory]
    [InlineData("account", 3)]
    [InlineData("limit", 5)]
    [InlineData("state", 5)]
    [InlineData("log", 5)]
    [InlineData("order", 5)]
    [InlineData("opening item", 8)]
    [InlineData("view", 2)]
    [InlineData("terms", 4)]
    public async Task A_good_request_is_accepted_and_a_spoilt_one_changes_nothing_when_it_is_refused(
        string what,
        int refusedAtLeast
    )
    {
        // What every table holds, not only how many rows; what the worker of the search index writes by itself is left
        // out, and with it the company's count of commits.
        string Books() =>
            _app.Books.Read(c =>
                string.Join(
                    ' ',
                    c.Query<string>(
                            "SELECT name FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'f%nd%' "
                                + "AND sql NOT LIKE '%VIRTUAL%'"
                        )
                        .Select(t =>
                            $"{t}:{Contents(c.Query($"SELECT {(t == "company" ? "settings, version" : "*")} FROM \"{t}\""))}"
                        )
                )
            );
        async Task Accepted()
        {
            var (path, body) = Good(what);
            var (status, answer) = await _app.Post(path, body.ToJsonString());
            status.ShouldBe(200, $"{body}: {answer}");
        }

        await Accepted();
        var refused = 0;
        foreach (var field in Good(what).Body.Select(f => f.Key).ToList())
        foreach (var nasty in Nasty)
        {
            var (path, body) = Good(what);
            body[field] = JsonNode.Parse(nasty);
            var before = Books();
            var (status, answer) = await _app.Post(path, body.ToJsonString());
            var sent = $"{what}, {field} {nasty[..Math.Min(nasty.Length, 40)]}: {status} {answer}";
            if (status == 200)
            {
                // A field is a text, a number or yes and no, never a group of them.
                nasty.ShouldNotBe("{}", sent);
                continue;
            }

            status.ShouldBe(400, sent);
            answer.GetProperty("errors").EnumerateObject().ShouldNotBeEmpty(sent);
            Books().ShouldBe(before, $"{sent}, refused, and the books changed");
            refused++;
        }

        refused.ShouldBeGreaterThanOrEqualTo(refusedAtLeast);
        await Accepted();
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }
}
