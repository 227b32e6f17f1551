namespace KiteLine.Web;

internal sealed record BandShape(string? Above, string? AnnualRate);
