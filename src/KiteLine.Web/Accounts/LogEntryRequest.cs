using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LogEntryRequest(
    [property: TextOf(typeof(ContactKind))] string? Kind,
    string? On,
    string? Contact,
    string? Text
);
