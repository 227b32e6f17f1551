namespace KiteLine.Web;

internal sealed record OwnPasswordRequest(string? Former, string? Password);
