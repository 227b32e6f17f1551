using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Whether the tables, indexes and triggers of books are those that this program makes: a trigger that is gone lets rows
/// be changed that never should, one that was added can change them by itself.
/// </summary>
internal static class SchemaCheck
{
    /// <summary>What is missing, changed or somebody else's, one sentence each.</summary>
    internal static IEnumerable<string> Off(SqliteConnection connection)
    {
        var (own, found) = (Own.Value, Of(connection));
        foreach (var (name, sql) in own)
            if (!found.TryGetValue(name, out var there))
                yield return $"schema: the {name} is missing";
            else if (there != sql)
                yield return $"schema: the {name} is not as this program makes it";
        foreach (var name in found.Keys.Except(own.Keys))
            yield return $"schema: the {name} is none of this program's";
    }

    // As the scripts make them in books of their own.
    private static readonly Lazy<Dictionary<string, string>> Own = new(() =>
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-schema");
        try
        {
            using var books = Books.Open(Path.Combine(folder.FullName, "books.db"));
            return books.Read(Of);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    });

    private static Dictionary<string, string> Of(SqliteConnection connection) =>
        connection
            .Query<(string Type, string Name, string Sql)>(
                "SELECT type, name, sql FROM sqlite_schema WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%'"
            )
            .ToDictionary(o => $"{o.Type} {o.Name}", o => o.Sql, StringComparer.Ordinal);
}
