using System.Net.Sockets;
using KiteLine.Core;
using MailKit;
using MailKit.Net.Smtp;
using MailKit.Security;
using MimeKit;

namespace KiteLine.Formats;

/// <summary>Gives messages to a mail server (SMTP, RFC 5321).</summary>
/// <param name="timeout">How long the server may take for an answer.</param>
public sealed class SmtpMailer(TimeSpan timeout)
{
    /// <summary>Gives it one message, once.</summary>
    /// <remarks>
    /// What ends the line before the message itself is given is tried another time; what ends it after that is not,
    /// since the server may have taken it.
    /// </remarks>
    public SendOutcome Send(OutgoingMessage message, MailRoute route, CancellationToken stop = default)
    {
        ArgumentNullException.ThrowIfNull(message);
        ArgumentNullException.ThrowIfNull(route);
        using var mime = MailFile.Of(message);
        using var line = new Line { Timeout = (int)timeout.TotalMilliseconds };
        var begun = new Begun();
        try
        {
            line.Connect(route.Host, route.Port, Security(route.Security), stop);
            if (route.User.Length > 0)
                line.Authenticate(route.User, route.Password, stop);
            line.Send(mime, stop, begun);
            return new SendOutcome.Taken(line.Refused);
        }
        catch (SmtpCommandException e)
        {
            // The server said no: for good with a code of 500 and more, else for now.
            var why = line.Refused.Count > 0 ? string.Join("; ", line.Refused) : $"{(int)e.StatusCode} {e.Message}";
            var passing = line.Refused.Count > 0 ? line.Passing : (int)e.StatusCode < 500;
            return passing ? new SendOutcome.Later(why) : new SendOutcome.Refused(why);
        }
        catch (Exception e) when (IsOfTheLine(e))
        {
            return begun.Is
                ? new SendOutcome.Unsure($"The line ended while the server was given the message: {e.Message}")
                : new SendOutcome.Later(e.Message);
        }
        finally
        {
            // It was taken or not; how the line ends changes nothing of that.
            line.Leave();
        }
    }

    private static bool IsOfTheLine(Exception e) =>
        e
            is SmtpProtocolException
                or IOException
                or SocketException
                or TimeoutException
                or AuthenticationException
                or SslHandshakeException
                or NotSupportedException
                or ServiceNotConnectedException
                or OperationCanceledException;

    private static SecureSocketOptions Security(MailSecurity security) =>
        security switch
        {
            MailSecurity.StartTls => SecureSocketOptions.StartTls,
            MailSecurity.Tls => SecureSocketOptions.SslOnConnect,
            MailSecurity.None => SecureSocketOptions.None,
            _ => throw new ArgumentOutOfRangeException(nameof(security), security, null),
        };

    // Whether any of the message itself was given.
    private sealed class Begun : ITransferProgress
    {
        internal bool Is { get; private set; }

        public void Report(long bytesTransferred, long totalSize) => Is = true;

        public void Report(long bytesTransferred) => Is = true;
    }

    // A server may refuse some of the addresses and take the message for the others.
    private sealed class Line : SmtpClient
    {
        internal List<string> Refused { get; } = [];

        // All of them were refused for now and none for good.
        internal bool Passing { get; private set; } = true;

        protected override void OnRecipientNotAccepted(
            MimeMessage message,
            MailboxAddress mailbox,
            SmtpResponse response
        )
        {
            Refused.Add($"{mailbox.Address}: {(int)response.StatusCode} {response.Response}");
            Passing &= (int)response.StatusCode < 500;
        }

        internal void Leave()
        {
            try
            {
                if (IsConnected)
                    Disconnect(quit: true, CancellationToken.None);
            }
            catch (Exception e) when (IsOfTheLine(e) || e is SmtpCommandException)
            {
                // The server left first.
            }
        }
    }
}
