using System.Diagnostics;
using Shouldly;

namespace KiteLine.Web.Tests;

/// <summary>The program as a process of its own.</summary>
internal sealed class ServerProcess : IDisposable
{
    private readonly Process _process;

    private ServerProcess(Process process) => _process = process;

    internal static Process Start(params string[] arguments) =>
        Process.Start(
            new ProcessStartInfo("dotnet", [typeof(WebApp).Assembly.Location, .. arguments])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;

    /// <summary>Serves a company and gives it when it is ready.</summary>
    internal static async Task<ServerProcess> Serve(string data, int port)
    {
        var process = Start("serve", "--data", data, "--port", $"{port}");
        process.ErrorDataReceived += (_, _) => { };
        process.BeginErrorReadLine();
        (await process.StandardOutput.ReadLineAsync())
            .ShouldNotBeNull()
            .ShouldContain($"ready at http://127.0.0.1:{port}");
        return new(process);
    }

    /// <summary>Ends it at once, as a power cut would.</summary>
    internal void Kill()
    {
        _process.Kill(entireProcessTree: true);
        _process.WaitForExit();
    }

    public void Dispose()
    {
        if (!_process.HasExited)
            Kill();
        _process.Dispose();
    }
}
