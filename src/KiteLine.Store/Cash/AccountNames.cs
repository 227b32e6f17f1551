using System.Collections.Concurrent;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Codes and names of accounts for recognising payers, kept as long as no record of the accounts changes. Only what was
/// committed is kept: whoever reads here writes nothing.
/// </summary>
internal static class AccountNames
{
    // Books that are open in one process, times currencies; tests open many.
    private const int MostKept = 20;

    private static readonly ConcurrentDictionary<(string Database, string Currency), Kept> All = new();

    private sealed record Kept(long Accounts, long Versions, KnownNames Names);

    internal static KnownNames Of(SqliteConnection connection, Currency currency)
    {
        // An account that is added makes it more accounts, each change of one another version.
        var (accounts, versions) = connection.QuerySingle<(long, long)>(
            "SELECT count(*), coalesce(sum(version), 0) FROM account WHERE currency = @Code",
            new { currency.Code }
        );
        var key = (connection.DataSource, currency.Code);
        if (All.TryGetValue(key, out var kept) && kept.Accounts == accounts && kept.Versions == versions)
            return kept.Names;
        var names = new KnownNames(Read(connection, currency), (int)accounts);
        if (All.Count >= MostKept)
            All.Clear();
        All[key] = new(accounts, versions, names);
        return names;
    }

    private static IEnumerable<(string Code, string Name)> Read(SqliteConnection connection, Currency currency)
    {
        using var query = new Prepared(
            connection,
            "SELECT code, name, profile ->> '$.legalName' FROM account WHERE currency = ?1"
        );
        query.Bind(1, currency.Code);
        while (query.Next())
        {
            var code = query.Text(0);
            yield return (code, query.Text(1));
            if (query.Text(2) is { Length: > 0 } legal)
                yield return (code, legal);
        }
    }
}
