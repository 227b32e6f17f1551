using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ViewRequest(
    string? Name,
    [property: MostCharacters(Bounds.LongLine)] string? Query,
    bool? Shared
);
