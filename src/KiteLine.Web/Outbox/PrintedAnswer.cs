namespace KiteLine.Web;

internal sealed record PrintedAnswer(int Printed);
