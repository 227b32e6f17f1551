namespace KiteLine.Core;

/// <summary>The mail server that takes the company's messages, and whom they are from.</summary>
/// <param name="Host">Its name or address; empty where the company sends no e-mail.</param>
/// <param name="User">Whom to sign in as; empty for nobody. The password is no setting: it is given to the program
/// when it is started.</param>
/// <param name="SenderName">Empty for the company's own name.</param>
public sealed record MailSettings(
    string Host = "",
    int Port = 587,
    MailSecurity Security = MailSecurity.StartTls,
    string User = "",
    string SenderName = "",
    string SenderAddress = ""
)
{
    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (Host.Length > Bounds.Line || Host.Any(c => char.IsWhiteSpace(c) || char.IsControl(c)))
            yield return ("mail.host", "Give the mail server’s name, such as mail.company.example.");
        if (Port is < 1 or > 65535)
            yield return (
                "mail.port",
                "Give a port from 1 to 65535; 587 is usual, 465 where it is encrypted from the start."
            );
        if (TextBounds.Problem(User) is { } user)
            yield return ("mail.user", user);
        if (TextBounds.Problem(SenderName) is { } name)
            yield return ("mail.senderName", name);
        if (SenderAddress.Length > 0 ? !EmailAddresses.IsOne(SenderAddress) : Host.Length > 0)
            yield return (
                "mail.senderAddress",
                "Give the address that messages are from, such as accounts@company.example."
            );
        if (Security == MailSecurity.None && User.Length > 0)
            yield return (
                "mail.security",
                "A password is not given over a line that is not encrypted; choose an encrypted one."
            );
    }
}
