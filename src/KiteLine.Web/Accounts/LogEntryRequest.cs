using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LogEntryRequest(
    [property: TextOf(typeof(ContactKind))] string? Kind,
    string? On,
    string? Contact,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Text
);
