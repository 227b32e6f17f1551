namespace KiteLine.Web;

internal sealed record PolicyUser(string Code, string Name);
