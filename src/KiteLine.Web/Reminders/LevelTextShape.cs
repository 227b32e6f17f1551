using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LevelTextShape(
    string? Language,
    [property: MostCharacters(Bounds.LongLine)] string? Subject,
    [property: MostCharacters(Bounds.Template, Lines = true)] string? Opening,
    [property: MostCharacters(Bounds.Template, Lines = true)] string? Closing
);
