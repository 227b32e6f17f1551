namespace KiteLine.Web;

internal sealed record KeptFindingView(string Kind, string Response, string Text);
