using System.Collections.Concurrent;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The rows of one table that are sealed, and what of them.</summary>
/// <param name="Of">The name under which seals know them.</param>
/// <param name="Table">The table.</param>
/// <param name="Key">By which they are found.</param>
/// <param name="Order">The rest of the order in which they are read.</param>
/// <param name="Where">What else narrows them down.</param>
/// <param name="Without">Columns that are projections, which verify works out anew, or that count commits.</param>
internal sealed record SealedTable(
    string Of,
    string Table,
    string Key,
    string Order = "",
    string Where = "",
    params string[] Without
)
{
    // The tables are as the scripts make them, whatever the books.
    private static readonly ConcurrentDictionary<string, string> Columns = new(StringComparer.Ordinal);

    /// <summary>The rows with keys from ?1 to ?2, in the order in which they are sealed.</summary>
    internal string Rows(SqliteConnection connection) =>
        $"SELECT {ColumnsOf(connection)} FROM {Table} WHERE {Key} BETWEEN ?1 AND ?2{Where} ORDER BY {Key}{Order}";

    /// <summary>As <see cref="Rows"/>, with the key before the values.</summary>
    internal string KeyedRows(SqliteConnection connection) =>
        $"SELECT {Key}, {ColumnsOf(connection)} FROM {Table} WHERE {Key} BETWEEN ?1 AND ?2{Where} ORDER BY {Key}{Order}";

    /// <summary>The keys of all that is there.</summary>
    internal string Keys => $"SELECT DISTINCT CAST({Key} AS TEXT) FROM {Table} WHERE true{Where}";

    private string ColumnsOf(SqliteConnection connection) =>
        Columns.GetOrAdd(
            Of,
            _ =>
                string.Join(
                    ", ",
                    connection
                        .Query<string>("SELECT name FROM pragma_table_info(@Table)", new { Table })
                        .Where(c => !Without.Contains(c))
                        .Select(c => $"\"{c}\"")
                )
        );
}
