using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Shouldly;

namespace KiteLine.Web.Tests;

/// <summary>The program as a process of its own.</summary>
internal sealed class ServerProcess : IDisposable
{
    private readonly Process _process;

    private ServerProcess(Process process) => _process = process;

    /// <summary>What it told its operator so far, line by line.</summary>
    internal ConcurrentQueue<string> Told { get; } = [];

    /// <summary>A port that nobody listens on.</summary>
    internal static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    internal static Process Start(params string[] arguments) => StartWith([], arguments);

    internal static Process StartWith(Dictionary<string, string?> environment, params string[] arguments)
    {
        var start = new ProcessStartInfo("dotnet", [typeof(WebApp).Assembly.Location, .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (var (name, value) in environment)
            start.Environment[name] = value;
        return Process.Start(start)!;
    }

    /// <summary>Serves a company and gives it when it is ready.</summary>
    internal static async Task<ServerProcess> Serve(string data, int port, Dictionary<string, string?>? with = null)
    {
        var process = StartWith(with ?? [], "serve", "--data", data, "--port", $"{port}");
        var server = new ServerProcess(process);
        process.ErrorDataReceived += (_, line) =>
        {
            if (line.Data is { } told)
                server.Told.Enqueue(told);
        };
        process.BeginErrorReadLine();
        (await process.StandardOutput.ReadLineAsync())
            .ShouldNotBeNull()
            .ShouldContain($"ready at http://127.0.0.1:{port}");
        return server;
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
