namespace KiteLine.Web;

internal sealed record IdentifierShape(string? Scheme, string? Number);
