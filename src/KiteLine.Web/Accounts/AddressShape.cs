using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AddressShape(
    [property: TextOf(typeof(AddressKind))] string? Kind,
    string? Name,
    IReadOnlyList<string>? Lines
);
