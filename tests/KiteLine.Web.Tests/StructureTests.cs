using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using Shouldly;
using Xunit;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace KiteLine.Web.Tests;

public class StructureTests
{
    private static readonly System.Reflection.Assembly Core = typeof(KiteLine.Core.Money).Assembly;
    private static readonly System.Reflection.Assembly Store = typeof(KiteLine.Store.Books).Assembly;
    private static readonly System.Reflection.Assembly Formats = typeof(KiteLine.Formats.CsvTable).Assembly;
    private static readonly System.Reflection.Assembly Web = typeof(WebApp).Assembly;
    private static readonly Architecture Loaded = new ArchLoader().LoadAssemblies(Core, Store, Formats, Web).Build();

    [Fact]
    public void Dependencies_point_inwards_only()
    {
        void Never(System.Reflection.Assembly from, params System.Reflection.Assembly[] to)
        {
            var rule = Types()
                .That()
                .ResideInAssembly(from)
                .Should()
                .NotDependOnAny(Types().That().ResideInAssembly(to[0], to[1..]));
            rule.HasNoViolations(Loaded)
                .ShouldBeTrue(
                    string.Join('\n', rule.Evaluate(Loaded).Where(r => !r.Passed).Select(r => r.Description))
                );
        }

        Never(Core, Store, Formats, Web);
        Never(Store, Formats, Web);
        Never(Formats, Store, Web);
    }

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
