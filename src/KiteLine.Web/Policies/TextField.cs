namespace KiteLine.Web;

internal sealed record TextField(string Name, string Meaning);
