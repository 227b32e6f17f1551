namespace KiteLine.Web;

internal sealed record RateShape([property: TextOf(typeof(DateOnly))] string? From, string? AnnualRate);
