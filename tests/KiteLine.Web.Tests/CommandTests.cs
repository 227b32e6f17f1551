using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The command line as a process of its own, told by its exit code and what it prints.</summary>
public sealed class CommandTests : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-command");

    public void Dispose() => _folder.Delete(recursive: true);

    private string At(string name) => Path.Combine(_folder.FullName, name);

    private static (int Exit, string Out, string Error) Run(params string[] arguments)
    {
        using var process = ServerProcess.Start(arguments);
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, error.GetAwaiter().GetResult());
    }

    [Fact]
    public void An_import_tells_its_outcome_by_its_exit_code()
    {
        File.WriteAllText(At("customers.csv"), "name\nPellworm\n");
        File.WriteAllText(
            At("open-items.csv"),
            "account,document,date,amount\nPEL01,I-1,2026-02-01,100\nPEL01,I-2,2026-02-31,100\n"
        );
        var refused = Run("import", _folder.FullName, "--data", At("data"));
        refused.Exit.ShouldBe(1);
        refused.Error.ShouldContain("open-items.csv row 3, date ‘2026-02-31’");
        refused.Out.ShouldContain("Nothing was stored");

        var checkedOnly = Run("import", _folder.FullName, "--data", At("data"), "--dry-run", "--accept-good");
        checkedOnly.Exit.ShouldBe(1);
        Run("import", _folder.FullName, "--data", At("data"), "--accept-good")
            .Out.ShouldContain("Stored 1 customer and 1 open item in");
        Run("verify", "--data", At("data")).Exit.ShouldBe(0);
    }

    [Theory]
    [InlineData("import")]
    [InlineData("import", "/nowhere/at/all")]
    [InlineData("import", ".", "--sideways")]
    [InlineData("verify", "--data", "/nowhere/at/all")]
    [InlineData("dance")]
    public void A_call_that_cannot_be_used_ends_with_2(params string[] arguments)
    {
        var (exit, output, error) = Run(arguments);
        exit.ShouldBe(2);
        (output + error).Trim().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task A_company_is_served_until_it_is_stopped()
    {
        const int Port = 5187;
        using var server = await ServerProcess.Serve(At("data"), Port);
        using var client = new HttpClient();
        var health = await client.GetAsync(new Uri($"http://127.0.0.1:{Port}/health"));
        ((int)health.StatusCode).ShouldBe(200);
        var answer = await client.GetAsync(new Uri($"http://127.0.0.1:{Port}/api/company"));
        answer.Headers.GetValues("X-Content-Type-Options").ShouldBe(["nosniff"]);
        (await client.GetStringAsync(new Uri($"http://127.0.0.1:{Port}/docs"))).ShouldNotContain("https://fonts");
        var (exit, _, error) = Run("serve", "--data", At("other"), "--port", $"{Port}");
        (exit, error.Trim()).ShouldBe(
            (2, $"Port {Port} is in use by another program. Choose another with --port, or stop that one.")
        );
    }

    [Fact]
    public void A_made_up_book_is_the_same_each_time_and_as_large_as_asked_for()
    {
        Run("generate", At("a"), "--accounts", "20", "--items", "50").Exit.ShouldBe(0);
        Run("generate", At("b"), "--accounts", "20", "--items", "50").Exit.ShouldBe(0);
        foreach (var (name, lines) in new[] { ("customers.csv", 21), ("open-items.csv", 51) })
        {
            var text = File.ReadAllText(Path.Combine(At("a"), name));
            text.ShouldBe(File.ReadAllText(Path.Combine(At("b"), name)));
            text.TrimEnd().Split('\n').Length.ShouldBe(lines);
        }
    }
}
