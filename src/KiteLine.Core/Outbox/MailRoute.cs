namespace KiteLine.Core;

/// <summary>Where messages are given to a mail server.</summary>
public sealed record MailRoute(string Host, int Port, MailSecurity Security, string User, string Password);
