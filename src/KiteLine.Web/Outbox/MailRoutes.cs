using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Which mail server takes the company's messages.</summary>
internal sealed class MailRoutes(IMailServer standIn)
{
    // No setting, so that nobody who reads the settings or a backup has it; and given to the one server that it is for, so
    // that nobody who changes the settings gets it.
    private const string Password = "KITELINE_MAIL_PASSWORD";
    private const string PasswordFor = "KITELINE_MAIL_HOST";

    /// <summary>Null where none is set up.</summary>
    internal MailRoute? Of(CompanySettings settings)
    {
        var mail = settings.Mail;
        if (mail.SenderAddress.Length == 0)
            return null;
        return mail.Host.Length == 0
            ? standIn.Route
            : new(mail.Host, mail.Port, mail.Security, mail.User, PasswordOf(mail.Host));
    }

    private static string PasswordOf(string host) =>
        string.Equals(Environment.GetEnvironmentVariable(PasswordFor), host, StringComparison.OrdinalIgnoreCase)
            ? Environment.GetEnvironmentVariable(Password) ?? ""
            : "";

    /// <summary>Its name for the screen; null where none is set up.</summary>
    internal string? NameOf(CompanySettings settings) =>
        settings.Mail.SenderAddress.Length == 0 ? null
        : settings.Mail.Host.Length > 0 ? settings.Mail.Host
        : standIn.IsThere ? "the simulated mail server"
        : null;
}
