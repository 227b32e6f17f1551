using System.Reflection;
using Dapper;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Brings the tables up to date with the numbered scripts in this assembly.</summary>
internal static class Migration
{
    private const string Journal = "SchemaVersions";

    /// <summary>Runs the scripts that are missing; false where none was.</summary>
    internal static bool Run(string connectionString)
    {
        using (var connection = new SqliteConnection(connectionString))
        {
            connection.Open();
            connection.Execute("PRAGMA journal_mode = WAL");
            RefuseNewer(connection);
        }

        // A table is changed by a copy that takes its name, which foreign keys must not see half done; they are checked
        // after.
        var withoutForeignKeys = new SqliteConnectionStringBuilder(connectionString)
        {
            ForeignKeys = false,
            Pooling = false,
        }.ToString();
        var result = DeployChanges
            .To.SqliteDatabase(withoutForeignKeys)
            .WithScriptsEmbeddedInAssembly(Assembly.GetExecutingAssembly())
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException(
                $"The books could not be brought up to date: {result.Error.Message}",
                result.Error
            );
        using (var connection = new SqliteConnection(connectionString))
        {
            connection.Open();
            if (
                result.Scripts.Any()
                && connection.QueryFirstOrDefault<string>("SELECT \"table\" FROM pragma_foreign_key_check") is { } table
            )
                throw new InvalidOperationException(
                    $"After bringing the books up to date, a row of {table} names a row that is missing."
                );
        }

        return result.Scripts.Any();
    }

    /// <summary>Whether scripts are missing in a file of books; it is only read.</summary>
    /// <exception cref="NewerBooksException">A newer version of the program made it.</exception>
    internal static bool IsOlder(string file)
    {
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = file,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ToString()
        );
        connection.Open();
        RefuseNewer(connection);
        var run = connection.Query<string>($"SELECT ScriptName FROM {Journal}").ToHashSet(StringComparer.Ordinal);
        return Scripts.Any(name => !run.Contains(name));
    }

    private static IEnumerable<string> Scripts =>
        Assembly
            .GetExecutingAssembly()
            .GetManifestResourceNames()
            .Where(n => n.EndsWith(".sql", StringComparison.Ordinal));

    private static void RefuseNewer(SqliteConnection connection)
    {
        if (
            connection.ExecuteScalar<long>("SELECT count(*) FROM sqlite_master WHERE name = @Journal", new { Journal })
            == 0
        )
            return;
        var known = Scripts.ToHashSet(StringComparer.Ordinal);
        var newer = connection
            .Query<string>($"SELECT ScriptName FROM {Journal}")
            .FirstOrDefault(name => !known.Contains(name));
        if (newer is not null)
            throw new NewerBooksException(connection.DataSource, newer);
    }
}
