using System.Text.RegularExpressions;
using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Shouldly;
using Xunit;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace KiteLine.Web.Tests;

public partial class StructureTests
{
    private static readonly System.Reflection.Assembly Core = typeof(KiteLine.Core.Money).Assembly;
    private static readonly System.Reflection.Assembly Store = typeof(KiteLine.Store.Books).Assembly;
    private static readonly System.Reflection.Assembly Formats = typeof(KiteLine.Formats.CsvTable).Assembly;
    private static readonly System.Reflection.Assembly Web = typeof(WebApp).Assembly;
    private static readonly System.Reflection.Assembly Demo = typeof(KiteLine.Demo.LargeBook).Assembly;
    private static readonly Architecture Loaded = new ArchLoader().LoadAssemblies(Core, Web, Demo).Build();

    [Fact]
    public void Dependencies_point_inwards_only()
    {
        // What an assembly uses of another one, the compiler names in it.
        static void Never(System.Reflection.Assembly from, params System.Reflection.Assembly[] to) =>
            from.GetReferencedAssemblies()
                .Select(a => a.Name)
                .Intersect(to.Select(a => a.GetName().Name))
                .ShouldBeEmpty(from.GetName().Name);

        Never(Core, Store, Formats, Web, Demo);
        Never(Store, Formats, Web, Demo);
        Never(Formats, Store, Web, Demo);
        Never(Demo, Web);
        Web.GetReferencedAssemblies().Select(a => a.Name).ShouldContain(Core.GetName().Name);
    }

    // Each area of the core uses only those before it.
    private static readonly string[] Order =
    [
        "Refusals",
        "Workings",
        "Money",
        "Dates",
        "Terms",
        "Taxes",
        "Ledger",
        "Users",
        "Limits",
        "Identifiers",
        "Accounts",
        "Book",
        "LateCharges",
        "Reminders",
        "Runs",
        "Settlement",
        "Cash",
        "Company",
        "Checks",
        "Invoices",
        "Orders",
        "Outbox",
        "Insight",
        "WhatIf",
        "Import",
    ];

    [Fact]
    public void The_areas_of_the_core_form_an_order_without_circles()
    {
        var areas = Directory
            .EnumerateFiles(Repository.File("src", "KiteLine.Core"), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal))
            .ToDictionary(
                f => Path.GetFileNameWithoutExtension(f),
                f => Path.GetFileName(Path.GetDirectoryName(f))!,
                StringComparer.Ordinal
            );
        areas.Values.Distinct().Except(Order).ShouldBeEmpty("every area has its place in the order");
        string? AreaOf(string fullName) =>
            areas.GetValueOrDefault(fullName.Split('.')[^1].Split('+', '`', '<', '/')[0]);
        var against = Loaded
            .Types.Where(t => t.Assembly.Name.StartsWith("KiteLine.Core", StringComparison.Ordinal))
            .SelectMany(t => t.Dependencies.Select(d => (From: t.FullName, To: d.Target.FullName)))
            .Where(d => d.To.StartsWith("KiteLine.Core.", StringComparison.Ordinal))
            .Select(d => (d.From, d.To, Area: AreaOf(d.From), Uses: AreaOf(d.To)))
            .Where(d => d.Area is not null && d.Uses is not null)
            .Where(d => Array.IndexOf(Order, d.Area) < Array.IndexOf(Order, d.Uses))
            .Select(d => $"{d.Area} uses {d.Uses}: {d.From} → {d.To}")
            .Distinct()
            .Order(StringComparer.Ordinal)
            .ToList();
        against.ShouldBeEmpty(string.Join('\n', against));
    }

    // What is no area of the job, by layer: what all areas of the layer stand on.
    private static readonly string[] Common =
    [
        "Api",
        "Audit",
        "Backups",
        "Connections",
        "Commands",
        "Migrations",
        "Policies",
        "Requests",
        "Seals",
        "Exchange",
    ];

    [Theory]
    [InlineData("KiteLine.Store")]
    [InlineData("KiteLine.Web")]
    public void An_area_has_the_same_name_in_every_layer(string layer) =>
        Directory
            .GetDirectories(Repository.File("src", layer))
            .Select(d => Path.GetFileName(d)!)
            .Except(["bin", "obj", "Properties"])
            .Except(Common)
            .ShouldBeSubsetOf(Order);

    [Fact]
    public void The_areas_of_the_browser_are_those_of_the_core_in_lower_case()
    {
        var areas = Directory
            .EnumerateDirectories(Repository.File("web", "src", "areas"))
            .Select(d => Path.GetFileName(d)!)
            .ToList();
        areas.Count.ShouldBeGreaterThan(10);
        areas
            .Except(Order.Concat(Common).Select(a => a.ToLowerInvariant()))
            .ShouldBeEmpty("an area of the browser has the name of one of the core");
        areas
            .Where(a => !File.Exists(Repository.File("web", "src", "areas", a, "index.ts")))
            .ShouldBeEmpty("an area has a door");
    }

    [Fact]
    public void Kinds_days_and_amounts_keep_their_types_in_the_description()
    {
        using var written = System.Text.Json.JsonDocument.Parse(
            File.ReadAllText(Repository.File("web", "openapi.json"))
        );
        var schemas = written.RootElement.GetProperty("components").GetProperty("schemas");
        string Of(string record, string field) =>
            schemas.GetProperty(record).GetProperty("properties").GetProperty(field).ToString();
        string[] Names(System.Text.Json.JsonElement schema) =>
            [.. schema.GetProperty("enum").EnumerateArray().Select(e => e.GetString() ?? "null")];
        Of("AccountRow", "limit").ShouldContain("/Money\"");
        Of("AccountRow", "reviewOn").ShouldContain("/Day\"");
        Of("AccountRow", "state").ShouldContain("/AccountState\"");
        (
            schemas.GetProperty("Money").GetProperty("type").GetString(),
            schemas.GetProperty("Day").GetProperty("format").GetString()
        ).ShouldBe(("string", "date"));
        Names(schemas.GetProperty("AccountState")).ShouldBe(["open", "watch", "stop"]);
        // A request names the choices too; what it sends instead is still read, and named by its field.
        Names(schemas.GetProperty("StateRequest").GetProperty("properties").GetProperty("state"))
            .ShouldBe(["open", "watch", "stop", "null"]);
    }

    [Fact]
    public void Nothing_but_the_place_that_binds_it_knows_the_demo() =>
        Types()
            .That()
            .ResideInAssembly(Web)
            .And()
            .DoNotHaveFullNameMatching("DataFolder|StandIns|Program|<")
            .Should()
            .NotDependOnAny(Types().That().ResideInAssembly(Demo))
            .Evaluate(Loaded)
            .Where(r => !r.Passed)
            .Select(r => r.Description)
            .ShouldBeEmpty();

    [Fact]
    public void One_type_stands_in_a_file_and_bears_its_name()
    {
        var many = Directory
            .EnumerateFiles(Repository.File("src"), "*.cs", SearchOption.AllDirectories)
            .Where(f =>
                !f.Contains("/obj/", StringComparison.Ordinal) && !f.EndsWith("/Program.cs", StringComparison.Ordinal)
            )
            .Select(f =>
                (File: f, Types: TopLevelType().Matches(File.ReadAllText(f)).Select(m => m.Groups[1].Value).ToList())
            )
            .Where(f => f.Types is not [var only] || only != Path.GetFileNameWithoutExtension(f.File).Split('.')[0])
            .Select(f => $"{Path.GetFileName(f.File)}: {string.Join(", ", f.Types)}")
            .ToList();
        many.ShouldBeEmpty();
    }

    [GeneratedRegex(
        @"^(?:public|internal)(?: static| sealed| abstract| readonly| partial| unsafe)* "
            + @"(?:record struct|record|class|enum|struct|interface) (\w+)",
        RegexOptions.Multiline
    )]
    private static partial Regex TopLevelType();

    [Fact]
    public void The_core_uses_nothing_but_the_base_library() =>
        Core.GetReferencedAssemblies()
            .Select(a => a.Name!)
            .ShouldAllBe(name => name.StartsWith("System.", StringComparison.Ordinal) || name == "netstandard");

    [Fact]
    public void The_core_reads_no_clock()
    {
        foreach (
            var file in Directory
                .EnumerateFiles(Repository.File("src", "KiteLine.Core"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/obj/", StringComparison.Ordinal))
        )
        {
            var text = File.ReadAllText(file);
            foreach (
                var word in new[] { "DateTime.Now", "DateTime.UtcNow", "DateTime.Today", "TimeProvider", "Stopwatch" }
            )
                text.ShouldNotContain(word, Case.Sensitive, file);
        }
    }

    [Fact]
    public async Task The_written_description_of_the_interface_is_what_is_served() =>
        (await OpenApiDocument.TextAsync()).ShouldBe(
            await File.ReadAllTextAsync(Repository.File("web", "openapi.json")),
            "run ./kiteline openapi web/openapi.json"
        );
}
