using KiteLine.Core;
using MimeKit;
using MimeKit.Utils;

namespace KiteLine.Formats;

/// <summary>Messages as e-mails (RFC 5322, MIME), written and read.</summary>
public static class MailFile
{
    /// <summary>A new identification for a message from an address, which may not be known yet.</summary>
    public static string NewId(string sender)
    {
        ArgumentNullException.ThrowIfNull(sender);
        var domain = sender[(sender.LastIndexOf('@') + 1)..];
        return MimeUtils.GenerateMessageId(domain.Length > 0 ? domain : "sender.invalid");
    }

    /// <summary>The message as it goes over the line.</summary>
    public static byte[] Write(OutgoingMessage message)
    {
        using var mime = Of(message);
        using var stream = new MemoryStream();
        mime.WriteTo(stream);
        return stream.ToArray();
    }

    /// <summary>Subject, text and files of one that was received.</summary>
    /// <exception cref="RefusedException">It is no message; names the field <c>file</c>.</exception>
    public static ReceivedMessage Read(byte[] content)
    {
        try
        {
            using var mime = MimeMessage.Load(new MemoryStream(content));
            return new(
                mime.MessageId ?? "",
                $"{mime.From}",
                $"{mime.To}",
                mime.Subject ?? "",
                mime.TextBody ?? "",
                mime.Date,
                [.. mime.Attachments.OfType<MimePart>().Select(File)]
            );
        }
        catch (Exception e) when (e is FormatException or IOException)
        {
            throw new RefusedException("file", $"This is no e-mail that can be read: {e.Message}");
        }
    }

    internal static MimeMessage Of(OutgoingMessage message)
    {
        ArgumentNullException.ThrowIfNull(message);
        var mime = new MimeMessage
        {
            MessageId = message.MessageId,
            Date = message.Date,
            Subject = message.Subject,
        };
        mime.From.Add(new MailboxAddress(message.FromName, message.FromAddress));
        foreach (var to in message.To)
            mime.To.Add(new MailboxAddress("", to));
        // Programs do not answer it with notes of absence.
        mime.Headers.Add("Auto-Submitted", "auto-generated");
        var body = new BodyBuilder { TextBody = message.Body };
        foreach (var file in message.Files)
            body.Attachments.Add(file.Name, file.Content, ContentType.Parse(file.MediaType));
        mime.Body = body.ToMessageBody();
        return mime;
    }

    private static MessageFile File(MimePart part)
    {
        using var content = new MemoryStream();
        part.Content?.DecodeTo(content);
        return new(part.FileName ?? "", part.ContentType.MimeType, content.ToArray());
    }
}
