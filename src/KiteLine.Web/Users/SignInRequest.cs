namespace KiteLine.Web;

internal sealed record SignInRequest(string? Name, string? Password);
