using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Which accounts a run looks at.</summary>
internal sealed record RunScope(string Words, Func<SqliteConnection, IReadOnlyList<BookAccount>> Find)
{
    /// <exception cref="RefusedException">A filter is none, or both accounts and a filter are given.</exception>
    /// <exception cref="NotThereException">An account is not there.</exception>
    internal static RunScope Of(IReadOnlyList<string>? accounts, string? filter, Desk desk)
    {
        var book = desk.Snapshots.Current;
        if (accounts is { Count: > 0 } && !string.IsNullOrWhiteSpace(filter))
            throw new RefusedException("filter", "Give accounts or a filter, not both.");
        if (accounts is { Count: > 0 })
        {
            var named = accounts
                .Distinct(StringComparer.OrdinalIgnoreCase)
                .Select(code => book.Find(code.Trim()) ?? throw new NotThereException("account", code))
                .ToArray();
            return new(
                named.Length <= 10 ? string.Join(", ", named.Select(a => a.Code)) : $"{named.Length} accounts",
                _ => named
            );
        }

        if (string.IsNullOrWhiteSpace(filter))
            return new("all accounts", _ => book.Accounts);
        var found = BoardEndpoints.Find(Query(filter), desk, out _, out _).Found;
        return new(
            $"accounts by {Uri.UnescapeDataString(filter.Trim().TrimStart('?'))}",
            _ => [.. found.Select(p => p.Account)]
        );
    }

    private static BoardQuery Query(string filter)
    {
        if (!filter.Contains('='))
            return new(null, null, filter, null, null, null);
        var asked = QueryHelpers.ParseQuery(filter);
        string? One(string name) => asked.TryGetValue(name, out var value) ? value.ToString() : null;
        int? Number(string name) => int.TryParse(One(name), out var number) ? number : null;
        return new(
            null,
            null,
            One("filter"),
            One("q"),
            null,
            null,
            One("owner"),
            One("group"),
            One("state"),
            One("utilisationFrom"),
            One("utilisationTo"),
            One("overdueFrom"),
            Number("ageFrom"),
            One("reviewBy"),
            One("promise"),
            One("field")
        );
    }
}
