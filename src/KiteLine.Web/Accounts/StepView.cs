namespace KiteLine.Web;

internal sealed record StepView(string Text, string? Date, bool Alarm);
