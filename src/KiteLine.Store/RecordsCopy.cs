using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// A copy of the records of the books: everything but the ledger, the logs and the files. It lies in a temporary file
/// of the database's own, which holds in memory only what is being looked at.
/// </summary>
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

    private static readonly string[] OfAccounts =
    [
        "account_identifier",
        "limit_change",
        "uplift",
        "limit_request",
        "state_change",
        "agency_report",
    ];

    /// <param name="accounts">Codes of the accounts that are copied with what hangs on them; null for all.</param>
    internal static SqliteConnection Of(string connectionString, IReadOnlyCollection<string>? accounts = null)
    {
        var path = new SqliteConnectionStringBuilder(connectionString).DataSource;
        var copy = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = "",
                ForeignKeys = false,
                Pooling = false,
            }.ToString()
        );
        copy.Open();
        copy.Execute("ATTACH @path AS books", new { path });
        copy.Execute("BEGIN TRANSACTION");
        // Tables first, then what hangs on them; triggers guard what is copied only once it is there.
        var made = copy.Query<(string Type, string Name, string Sql)>(
                "SELECT type, name, sql FROM books.sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' "
                    + "AND name NOT LIKE 'found_%' "
                    + "ORDER BY type = 'trigger', type = 'view', type = 'index'"
            )
            .AsList();
        foreach (var (_, _, sql) in made.Where(m => m.Type == "table"))
            copy.Execute(sql);
        if (accounts is not null)
        {
            copy.Execute("CREATE TEMP TABLE chosen (code TEXT NOT NULL COLLATE NOCASE)");
            foreach (var code in accounts)
                copy.Execute("INSERT INTO chosen VALUES (@code)", new { code });
        }

        foreach (var table in Tables)
            copy.Execute($"INSERT INTO main.{table} SELECT * FROM books.{table}" + Where(table, accounts is null));
        foreach (var (_, _, sql) in made.Where(m => m.Type != "table"))
            copy.Execute(sql);
        copy.Execute("COMMIT TRANSACTION");
        copy.Execute("DETACH books");
        return copy;
    }

    // Groups have limits too, and rows that hang on no account.
    private static string Where(string table, bool all) =>
        all ? ""
        : table == "account" ? " WHERE code IN (SELECT code FROM chosen)"
        : OfAccounts.Contains(table) ? " WHERE account_id IS NULL OR account_id IN (SELECT id FROM main.account)"
        : "";
}
