using System.Net;
using System.Net.Sockets;
using System.Text;
using KiteLine.Core;

namespace KiteLine.Web.Tests;

/// <summary>A mail server on this machine that answers each command as a test says, and keeps what it was given.</summary>
/// <param name="answer">The answer to a line of the client; null to end the line, empty to say nothing.</param>
internal sealed class SpoiltMailServer : IDisposable
{
    private readonly TcpListener _listener = new(IPAddress.Loopback, 0);
    private readonly CancellationTokenSource _stop = new();
    private readonly Func<string, string?> _answer;

    internal SpoiltMailServer(Func<string, string?> answer)
    {
        _answer = answer;
        _listener.Start();
        _ = Task.Run(Serve);
    }

    /// <summary>The answer of a server with which everything is well.</summary>
    internal static string? Well(string line) =>
        line.StartsWith("EHLO", StringComparison.Ordinal) ? "250 here"
        : line == "DATA" ? "354 go on"
        : line == "QUIT" ? "221 bye"
        : "250 well";

    internal MailRoute Route => new("127.0.0.1", ((IPEndPoint)_listener.LocalEndpoint).Port, MailSecurity.None, "", "");

    /// <summary>Messages that came whole, whatever was answered.</summary>
    internal List<string> Came { get; } = [];

    public void Dispose()
    {
        _stop.Cancel();
        _listener.Dispose();
        _stop.Dispose();
    }

    private async Task Serve()
    {
        try
        {
            while (true)
            {
                using var client = await _listener.AcceptTcpClientAsync(_stop.Token);
                await Talk(client);
            }
        }
        catch (Exception e) when (e is OperationCanceledException or SocketException or ObjectDisposedException)
        {
            // The test is over.
        }
    }

    private async Task Talk(TcpClient client)
    {
        try
        {
            await using var stream = client.GetStream();
            using var reader = new StreamReader(stream, Encoding.ASCII);
            await using var writer = new StreamWriter(stream, Encoding.ASCII) { NewLine = "\r\n", AutoFlush = true };
            await writer.WriteLineAsync("220 here");
            while (await reader.ReadLineAsync(_stop.Token) is { } line)
            {
                var answer = _answer(line);
                if (answer is null)
                    return;
                if (answer.Length > 0)
                    await writer.WriteLineAsync(answer);
                if (line != "DATA" || !answer.StartsWith("354", StringComparison.Ordinal))
                    continue;
                var message = new StringBuilder();
                while (await reader.ReadLineAsync(_stop.Token) is { } part && part != ".")
                    message.AppendLine(part);
                Came.Add($"{message}");
                var after = _answer(".");
                if (after is null)
                    return;
                if (after.Length > 0)
                    await writer.WriteLineAsync(after);
            }
        }
        catch (IOException)
        {
            // The client left.
        }
    }
}
