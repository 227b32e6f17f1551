namespace KiteLine.Web;

internal sealed record IssueReminderRequest(string? Date);
