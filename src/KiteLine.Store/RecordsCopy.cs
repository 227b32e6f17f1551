using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>A copy of the records of the books in memory: everything but the ledger, the logs and the files.</summary>
internal static class RecordsCopy
{
    private static readonly string[] Tables =
    [
        "company",
        "policy",
        "account",
        "account_identifier",
        "account_group",
        "limit_change",
        "uplift",
        "uplift_end",
        "limit_request",
        "limit_request_answer",
        "state_change",
        "exchange_rate",
        "agency_report",
        "number_series",
        "user_account",
        "change_batch",
        "change_batch_line",
    ];

    internal static SqliteConnection Of(string connectionString)
    {
        var path = new SqliteConnectionStringBuilder(connectionString).DataSource;
        var copy = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = ":memory:",
                ForeignKeys = false,
                Pooling = false,
            }.ToString()
        );
        copy.Open();
        copy.Execute("ATTACH @path AS books", new { path });
        copy.Execute("BEGIN TRANSACTION");
        // Tables first, then what hangs on them; triggers guard what is copied only once it is there.
        var made = copy.Query<(string Type, string Name, string Sql)>(
                "SELECT type, name, sql FROM books.sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'found_%' "
                    + "ORDER BY type = 'trigger', type = 'view', type = 'index'"
            )
            .AsList();
        foreach (var (_, _, sql) in made.Where(m => m.Type == "table"))
            copy.Execute(sql);
        foreach (var table in Tables)
            copy.Execute($"INSERT INTO main.{table} SELECT * FROM books.{table}");
        foreach (var (_, _, sql) in made.Where(m => m.Type != "table"))
            copy.Execute(sql);
        copy.Execute("COMMIT TRANSACTION");
        copy.Execute("DETACH books");
        return copy;
    }
}
