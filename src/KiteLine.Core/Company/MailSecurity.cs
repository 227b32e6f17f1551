namespace KiteLine.Core;

/// <summary>How the line to the mail server is kept secret.</summary>
public enum MailSecurity
{
    /// <summary>Encrypted from a command on, without which nothing is sent.</summary>
    StartTls,

    /// <summary>Encrypted from the start.</summary>
    Tls,

    /// <summary>Not at all: for a server on the same machine.</summary>
    None,
}
