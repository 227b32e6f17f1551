using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="From">The first day; the first of the month where it is left out.</param>
/// <param name="To">The last day; the business date where it is left out.</param>
/// <param name="Accounts">Codes of the accounts; all where neither these nor a filter are given.</param>
/// <param name="Filter">As the board's.</param>
internal sealed record StatementsRequest(
    [property: MostCharacters(Bounds.Line)] string? From,
    [property: MostCharacters(Bounds.Line)] string? To,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<string>? Accounts = null,
    [property: MostCharacters(Bounds.FieldValue)] string? Filter = null
);
