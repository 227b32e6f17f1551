namespace KiteLine.Web;

internal sealed record InstalmentLine(string Due, string Amount);
