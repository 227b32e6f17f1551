using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Replaces">Open promises that it takes the place of; left out, none.</param>
internal sealed record PromiseRequest(
    string? Amount,
    string? DueOn,
    string? Contact,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Note,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<long>? Replaces = null
);
