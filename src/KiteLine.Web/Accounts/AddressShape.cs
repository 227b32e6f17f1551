namespace KiteLine.Web;

internal sealed record AddressShape(string? Kind, string? Name, IReadOnlyList<string>? Lines);
