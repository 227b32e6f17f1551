using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record PromiseRequest(
    string? Amount,
    string? DueOn,
    string? Contact,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Note
);
