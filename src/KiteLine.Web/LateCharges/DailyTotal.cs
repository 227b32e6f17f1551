namespace KiteLine.Web;

internal sealed record DailyTotal(string Date, string Total);
