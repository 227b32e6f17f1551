using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// One thing to change on many accounts: those named, or all that the board shows for a filter and text, and of these
/// only those whose field has a value.
/// </summary>
/// <param name="View">The query of the board that shows the accounts, when it has more than a filter and a
/// text.</param>
/// <param name="Within">A kind and a value such as <c>terms:n/30</c>; of the accounts that are shown only these.</param>
/// <param name="OnlyWith">Only accounts whose field has this value now, such as a former default; null for all.</param>
internal sealed record ChangeManyRequest(
    string? Field,
    [property: MostCharacters(Bounds.FieldValue, Lines = true)] string? Value,
    string? Reason,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<string>? Codes = null,
    [property: MostCharacters(Bounds.LongLine)] string? Filter = null,
    string? Q = null,
    [property: MostCharacters(Bounds.FieldValue, Lines = true)] string? OnlyWith = null,
    [property: MostCharacters(Bounds.LongLine)] string? View = null,
    string? Within = null
);
