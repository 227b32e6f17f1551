namespace KiteLine.Web;

internal sealed record PasswordRequest(string? Password);
