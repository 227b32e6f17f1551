namespace KiteLine.Web;

internal sealed record FindingView(string Code, string Text);
