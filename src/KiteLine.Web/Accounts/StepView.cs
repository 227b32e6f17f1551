namespace KiteLine.Web;

internal sealed record StepView(string Text, DateOnly? Date, bool Alarm);
