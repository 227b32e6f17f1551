namespace KiteLine.Web;

internal sealed record FirstAdministratorRequest(string? Code, string? Name, string? FullName, string? Password);
