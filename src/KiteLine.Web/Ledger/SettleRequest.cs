namespace KiteLine.Web;

internal sealed record SettleRequest(string? Outcome);
