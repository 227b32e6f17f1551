namespace KiteLine.Web;

internal sealed record DayCountName(string Name, string Title);
