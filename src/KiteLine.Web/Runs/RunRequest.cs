using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Kind">late-charges or reminders.</param>
/// <param name="Date">The last day charged, or the day that the letters bear; the business date where it is left
/// out.</param>
/// <param name="Accounts">Codes of the accounts to look at; all where they are left out.</param>
/// <param name="Filter">As the board's: names of filters, or all of its query such as
/// <c>owner=castellane&amp;filter=stop</c>.</param>
internal sealed record RunRequest(
    [property: MostCharacters(Bounds.Line)] string? Kind,
    [property: MostCharacters(Bounds.Line)] string? Date,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<string>? Accounts = null,
    [property: MostCharacters(Bounds.FieldValue)] string? Filter = null
);
