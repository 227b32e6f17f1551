namespace KiteLine.Web;

internal sealed record ViewRequest(string? Name, string? Query, bool? Shared);
