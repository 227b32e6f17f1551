namespace KiteLine.Web;

/// <param name="Until">The first day on which reminders go out again.</param>
internal sealed record PauseView(long Id, DateOnly From, DateOnly Until, string Reason);
