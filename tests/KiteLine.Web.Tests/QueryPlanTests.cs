using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// No query that a screen or a posting asks reads a table from end to end that grows with the book: what the database
/// says it would do with each query that was asked while the demo was made, every page read, and postings previewed.
/// </summary>
public sealed partial class QueryPlanTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    // Tables with a row for each account, document, posting or change. The others grow with the company, not its book.
    private static readonly HashSet<string> Growing =
    [
        "account",
        "account_identifier",
        "agency_report",
        "allocation",
        "allocation_undone",
        "attachment",
        "audit",
        "change_batch_line",
        "charge_line",
        "contact_log",
        "dispute",
        "dispute_settled",
        "document",
        "entry",
        "item",
        "journal_line",
        "limit_change",
        "limit_request",
        "movement",
        "opening_reversal",
        "order_step",
        "promise",
        "promise_withdrawn",
        "reminder",
        "reminder_cancelled",
        "reminder_item",
        "request",
        "sales_order",
        "state_change",
        "uplift",
        "uplift_end",
    ];

    // The book is read once at start. Policies tell how many accounts use them: counted in an index, without the
    // accounts.
    private static readonly string[] OnPurpose = ["/* the whole book */", "SCAN account USING COVERING INDEX"];

    /// <summary>Begins a query that a test asks of its own, where the product would not.</summary>
    internal const string AskedByTests = "/* a test asks */";

    private static readonly Lazy<string> OfTests = new(() =>
        string.Concat(
            Directory.EnumerateFiles(Repository.File("tests", "KiteLine.Web.Tests"), "*.cs").Select(File.ReadAllText)
        )
    );

    [Fact]
    public async Task Every_query_is_answered_from_an_index()
    {
        // Twice: what was asked once is forgotten when the tests beside this one ask much.
        await Ask();
        await Ask();
        var asked = SqlMapper
            .GetCachedSQL()
            // Of the demo's books, and not what tests ask of them themselves.
            .Where(q => q.Item1.Contains(Demo.Books.Path, StringComparison.Ordinal))
            .Where(q => !OfTests.Value.Contains(q.Item2[..Math.Min(30, q.Item2.Length)], StringComparison.Ordinal))
            .Select(q => q.Item2)
            .Where(IsQuery)
            .Distinct()
            .ToList();
        // About one for each address that is read here; those of the demo's making are among them where it is made here.
        asked.Count.ShouldBeGreaterThan(70);
        var scans = Demo.Books.Read(c =>
            asked
                .SelectMany(sql =>
                    Plan(c, sql)
                        .Select(step => Scan().Match(step))
                        .Where(m => m.Success && Growing.Contains(TableOf(sql, m.Groups["name"].Value)))
                        .Select(m => $"{m.Value} in {sql}")
                )
                .Where(scan => !OnPurpose.Any(scan.Contains))
                .ToList()
        );
        scans.ShouldBeEmpty(string.Join("\n\n", scans));
    }

    private static IEnumerable<string> Plan(SqliteConnection connection, string sql)
    {
        // One value stands for a list; the plan is the same for whatever values.
        var plain = ListParameter().Replace(sql, "IN ($1)");
        var values = new DynamicParameters();
        foreach (Match parameter in Parameter().Matches(plain))
            values.Add(parameter.Value, 0);
        return connection
            .Query<(int, int, int, string Detail)>("EXPLAIN QUERY PLAN " + plain, values)
            .Select(step => step.Detail);
    }

    private async Task Ask()
    {
        var description = JsonNode.Parse(await File.ReadAllTextAsync(Repository.File("web", "openapi.json")))!;
        foreach (var (path, operations) in description["paths"]!.AsObject())
            if (operations!["get"] is not null)
                await Demo.Client.GetAsync(new Uri(Filled(path), UriKind.Relative));
        var receipt = Demo.Books.Read(c =>
            c.ExecuteScalar<long>("SELECT max(id) FROM entry WHERE kind = @kind", new { kind = PostingKind.Receipt })
        );
        await Demo.Post($"/api/postings/{receipt}/reverse?preview=true", new { reason = "bounced" });
    }

    private static string Filled(string path) =>
        path.Replace("{code}", "TAR01", StringComparison.Ordinal)
            .Replace("{name}", "Windlass", StringComparison.Ordinal)
            .Replace("{kind}", "terms", StringComparison.Ordinal)
            .Replace("{id}", "1", StringComparison.Ordinal)
            .Replace("{entry}", "1", StringComparison.Ordinal)
            .Replace("{number}", "1", StringComparison.Ordinal) + (path == "/api/find" ? "?q=tar" : "");

    private static bool IsQuery(string sql) => Query().IsMatch(sql);

    // A plan names a table by its alias where it has one.
    private static string TableOf(string sql, string name) =>
        Regex.Match(sql, $@"\b(?<table>[a-z_]+)\s+(AS\s+)?{name}\b") is { Success: true } m
        && m.Groups["table"].Value is not ("from" or "join" or "FROM" or "JOIN")
            ? m.Groups["table"].Value
            : name;

    [GeneratedRegex(@"^\s*(SELECT|WITH|UPDATE|DELETE)\b")]
    private static partial Regex Query();

    [GeneratedRegex(@"IN (@\w+)")]
    private static partial Regex ListParameter();

    [GeneratedRegex(@"@\w+")]
    private static partial Regex Parameter();

    [GeneratedRegex(@"^SCAN (?<name>\w+)( USING.*)?$")]
    private static partial Regex Scan();
}
