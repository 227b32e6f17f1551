using System.Globalization;
using Dapper;
using DuckDB.NET.Data;
using KiteLine.Store;

namespace KiteLine.Web.Tests;

/// <summary>Raw rows of a book in DuckDB, so that another program works out what ours says.</summary>
internal sealed class RawTables : IDisposable
{
    private static readonly Dictionary<string, string> Columns = new()
    {
        ["account"] = "id, code, currency, group_name, owner",
        ["item"] = "id, document_id, account_id, kind, date, due",
        ["document"] = "id, account_id, entry_id, kind, number, date, net, tax, clears_on",
        ["entry"] = "id, account_id, kind, posting_date, reverses",
        ["movement"] = "item_id, entry_id, kind, value_date, amount",
        ["charge_line"] = "entry_id, item_id, amount",
        ["reminder"] = "id, account_id, date, fee",
        ["reminder_cancelled"] = "reminder_id",
        ["dispute"] = "id, item_id, amount, from_date",
        ["dispute_settled"] = "dispute_id, on_date",
        ["sales_order"] = "id, account_id",
        ["order_step"] = "order_id, seq, on_date, total, approved, invoiced, until_date, is_over",
    };

    private static readonly string[] Texts = ["code", "currency", "group_name", "owner", "number", "due", "clears_on"];

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-duck");

    private RawTables(Books books, IEnumerable<string> tables)
    {
        Duck.Open();
        foreach (var table in tables)
            Load(books, table);
    }

    internal DuckDBConnection Duck { get; } = new("Data Source=:memory:");

    internal static RawTables Of(Books books, params IEnumerable<string> tables) => new(books, tables);

    public void Dispose()
    {
        Duck.Dispose();
        _folder.Delete(recursive: true);
    }

    private void Load(Books books, string table)
    {
        var path = Path.Combine(_folder.FullName, $"{table}.csv");
        var columns = Columns[table];
        var rows = books.Read(c =>
            c.Query($"{QueryPlanTests.AskedByTests} SELECT {columns} FROM {table}")
                .Cast<IDictionary<string, object?>>()
                .ToList()
        );
        File.WriteAllLines(
            path,
            [
                columns.Replace(" ", "", StringComparison.Ordinal),
                .. rows.Select(r =>
                    string.Join(',', r.Values.Select(v => $"\"{Convert.ToString(v, CultureInfo.InvariantCulture)}\""))
                ),
            ]
        );
        var types = string.Join(
            ", ",
            columns
                .Split(", ")
                .Select(c =>
                    Texts.Contains(c) || c.Contains("date", StringComparison.Ordinal)
                        ? $"'{c}': 'VARCHAR'"
                        : $"'{c}': 'BIGINT'"
                )
        );
        using var command = Duck.CreateCommand();
        command.CommandText =
            $"CREATE TABLE {table} AS SELECT * FROM read_csv('{path}', header = true, columns = {{{types}}})";
        command.ExecuteNonQuery();
    }
}
