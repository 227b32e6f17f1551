using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The mail server that takes the company's messages, and whom they are from.</summary>
internal sealed record MailShape(
    string? Host,
    int? Port,
    [property: TextOf(typeof(MailSecurity))] string? Security,
    string? User,
    string? SenderName,
    string? SenderAddress
)
{
    internal static MailShape Of(MailSettings m) =>
        new(m.Host, m.Port, Fields.Name(m.Security), m.User, m.SenderName, m.SenderAddress);

    /// <summary>What is given here; what is left out stays.</summary>
    internal MailSettings Read(MailSettings before, Fields fields)
    {
        var after = new MailSettings(
            Host?.Trim() ?? before.Host,
            Port ?? before.Port,
            fields.Choice("mail.security", Security, (MailSecurity?)before.Security),
            User?.Trim() ?? before.User,
            SenderName?.Trim() ?? before.SenderName,
            SenderAddress?.Trim() ?? before.SenderAddress
        );
        foreach (var (field, message) in after.Problems())
            fields.Bad(field, message);
        return after;
    }
}
