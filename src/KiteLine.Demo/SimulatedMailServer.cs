using System.Buffers;
using System.Globalization;
using System.Net;
using System.Net.Sockets;
using KiteLine.Core;
using SmtpServer;
using SmtpServer.ComponentModel;
using SmtpServer.Mail;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace KiteLine.Demo;

/// <summary>
/// A mail server that takes messages on this machine alone and keeps each as a file. It knows nobody of the name
/// <c>nobody</c>, and has no room at the moment for one of the name <c>later</c>. It starts when it is first needed.
/// </summary>
/// <param name="folder">Where the messages are kept.</param>
public sealed class SimulatedMailServer(string folder) : IMailServer, IDisposable
{
    // The oldest go when there are more.
    private const int MostKept = 1000;

    private readonly CancellationTokenSource _stop = new();
    private readonly Lock _gate = new();
    private MailRoute? _route;

    /// <inheritdoc/>
    public bool IsThere => true;

    /// <inheritdoc/>
    public MailRoute? Route
    {
        get
        {
            lock (_gate)
                return _route ??= Start();
        }
    }

    /// <inheritdoc/>
    public IReadOnlyList<ReceivedMail> Received(int most) =>
        Directory.Exists(folder)
            ? [.. new DirectoryInfo(folder).GetFiles("*.eml").OrderByDescending(f => f.Name).Take(most).Select(Head)]
            : [];

    /// <inheritdoc/>
    public byte[]? Get(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        // A name alone, and no way out of the folder.
        if (name != Path.GetFileName(name) || !name.EndsWith(".eml", StringComparison.Ordinal))
            return null;
        var file = Path.Combine(folder, name);
        return File.Exists(file) ? File.ReadAllBytes(file) : null;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _stop.Cancel();
        _stop.Dispose();
    }

    private MailRoute Start()
    {
        Directory.CreateDirectory(folder);
        var port = FreePort();
        var options = new SmtpServerOptionsBuilder()
            .ServerName("localhost")
            .MaxMessageSize(Bounds.Request)
            .Endpoint(e => e.Endpoint(new IPEndPoint(IPAddress.Loopback, port)).IsSecure(false))
            .Build();
        var services = new ServiceProvider();
        services.Add(new Keeping(folder));
        services.Add(new Known());
        _ = new SmtpServer.SmtpServer(options, services).StartAsync(_stop.Token);
        return new("127.0.0.1", port, MailSecurity.None, "", "");
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    // What the lists show stands in the first lines, which this server wrote itself.
    private static ReceivedMail Head(FileInfo file)
    {
        using var reader = file.OpenText();
        var to = new List<string>();
        var subject = "";
        while (reader.ReadLine() is { Length: > 0 } line)
            if (line.StartsWith(ToHeader, StringComparison.Ordinal))
                to.Add(line[ToHeader.Length..]);
            else if (line.StartsWith("Subject: ", StringComparison.Ordinal))
                subject = line["Subject: ".Length..];
        return new(file.Name, file.LastWriteTimeUtc, to, subject, file.Length);
    }

    private const string ToHeader = "X-Taken-For: ";

    private sealed class Keeping(string folder) : MessageStore
    {
        private long _count;

        public override async Task<SmtpResponse> SaveAsync(
            ISessionContext context,
            IMessageTransaction transaction,
            ReadOnlySequence<byte> buffer,
            CancellationToken cancellationToken
        )
        {
            var name = string.Create(
                CultureInfo.InvariantCulture,
                $"{DateTime.UtcNow:yyyyMMdd'T'HHmmssfff}-{Interlocked.Increment(ref _count):D6}.eml"
            );
            var heads = string.Concat(transaction.To.Select(t => $"{ToHeader}{t.User}@{t.Host}\r\n"));
            var making = Path.Combine(folder, name + ".part");
            await using (var file = File.Create(making))
            {
                await file.WriteAsync(System.Text.Encoding.ASCII.GetBytes(heads), cancellationToken);
                foreach (var part in buffer)
                    await file.WriteAsync(part, cancellationToken);
            }

            File.Move(making, Path.Combine(folder, name));
            foreach (var old in Directory.GetFiles(folder, "*.eml").Order().SkipLast(MostKept))
                File.Delete(old);
            return SmtpResponse.Ok;
        }
    }

    private sealed class Known : MailboxFilter
    {
        public override Task<bool> CanDeliverToAsync(
            ISessionContext context,
            IMailbox to,
            IMailbox from,
            CancellationToken cancellationToken
        ) =>
            to.User switch
            {
                "nobody" => Task.FromResult(false),
                "later" => throw new SmtpResponseException(
                    new(SmtpReplyCode.InsufficientStorage, "no room for this mailbox at the moment")
                ),
                _ => Task.FromResult(true),
            };
    }
}
