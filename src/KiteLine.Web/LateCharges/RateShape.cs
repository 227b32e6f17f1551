namespace KiteLine.Web;

internal sealed record RateShape(string? From, string? AnnualRate);
