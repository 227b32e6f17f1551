namespace KiteLine.Web;

/// <summary>An e-mail that arrived at the simulated mail server.</summary>
internal sealed record MailView(
    string Name,
    string At,
    string From,
    string To,
    string Subject,
    string Text,
    IReadOnlyList<string> Files
);
