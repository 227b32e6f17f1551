namespace KiteLine.Web;

internal sealed record MailRowView(string Name, string At, string To, string Subject, long Size);
