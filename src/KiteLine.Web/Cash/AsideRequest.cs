namespace KiteLine.Web;

internal sealed record AsideRequest(string? Reason);
