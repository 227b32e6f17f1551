using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Finds the account of whoever an electronic document names as its buyer.</summary>
public static class BuyerFinder
{
    // A name that more accounts bear than this is no name to find one by.
    private const int Most = 100;

    /// <summary>
    /// By account code, then by a tax identifier, then by the exact name. Where several accounts answer to one of
    /// them, the only one that is kept in the currency of the document.
    /// </summary>
    /// <exception cref="RefusedException">None answers, or more than one; names the field <c>account</c>.</exception>
    public static Account Find(
        SqliteConnection connection,
        IReadOnlyList<string> codes,
        IReadOnlyList<string> identifiers,
        IReadOnlyList<string> names,
        string currency
    )
    {
        ArgumentNullException.ThrowIfNull(codes);
        ArgumentNullException.ThrowIfNull(identifiers);
        ArgumentNullException.ThrowIfNull(names);
        foreach (var code in codes)
            if (AccountStore.Find(connection, code) is { } byCode)
                return byCode;
        foreach (var identifier in identifiers)
            if (One(ByIdentifier(connection, identifier), currency, identifier) is { } byIdentifier)
                return byIdentifier;
        foreach (var name in names)
            if (One(ByName(connection, name), currency, name) is { } byName)
                return byName;
        var told = codes.Concat(identifiers).Concat(names).Take(4).Select(t => $"‘{t}’");
        throw new RefusedException(
            "account",
            $"No account has a code, tax identifier or name of the buyer: {string.Join(", ", told)}."
        );
    }

    private static Account? One(List<Account> found, string currency, string by)
    {
        if (found.Count <= 1)
            return found.Count == 1 ? found[0] : null;
        var kept = found.Where(a => a.Currency.Code == currency).ToArray();
        return kept.Length == 1
            ? kept[0]
            : throw new RefusedException(
                "account",
                $"More than one account answers to ‘{by}’: {string.Join(", ", found.Take(3).Select(a => a.Code))}; "
                    + "name the account code."
            );
    }

    private static List<Account> ByIdentifier(SqliteConnection connection, string identifier) =>
        TaxIdentifier.Plain(identifier) is { Length: > 3 } number
            ? connection
                .Query<Account>(
                    $"""
                    SELECT DISTINCT a.* FROM account_identifier i JOIN account a ON a.id = i.account_id
                    WHERE i.number = @number LIMIT {Most}
                    """,
                    new { number }
                )
                .AsList()
            : [];

    private static List<Account> ByName(SqliteConnection connection, string name) =>
        connection
            .Query<Account>($"SELECT * FROM account WHERE name = @name COLLATE NOCASE LIMIT {Most}", new { name })
            .AsList();
}
