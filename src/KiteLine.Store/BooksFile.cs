using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The file in which books lie: made whole or not at all, its owner's alone, and known for what it is.</summary>
internal static class BooksFile
{
    /// <summary>Makes new books under another name first, so that ones that were cut short are never taken for whole.</summary>
    internal static void Make(string path, Func<string, string> connectionTo)
    {
        var making = path + ".making";
        foreach (var tail in new[] { "", "-wal", "-shm" })
            File.Delete(making + tail);
        Migration.Run(connectionTo(making));
        using (var connection = new SqliteConnection(connectionTo(making)))
        {
            connection.Open();
            connection.Execute("PRAGMA wal_checkpoint(TRUNCATE)");
        }

        SqliteConnection.ClearPool(new SqliteConnection(connectionTo(making)));
        OwnersAlone(making);
        File.Move(making, path, overwrite: false);
    }

    /// <summary>Looks at a file that is there without changing it.</summary>
    /// <exception cref="UnsoundBooksException">It is empty, no database, another program's, or damaged.</exception>
    internal static void Know(string path)
    {
        if (new FileInfo(path).Length == 0)
            throw new UnsoundBooksException(path, "is empty");
        try
        {
            using var connection = new SqliteConnection(
                new SqliteConnectionStringBuilder
                {
                    DataSource = path,
                    Mode = SqliteOpenMode.ReadOnly,
                    Pooling = false,
                }.ToString()
            );
            connection.Open();
            if (
                connection.ExecuteScalar<long>(
                    "SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name IN ('SchemaVersions', 'company', "
                        + "'audit', 'account')"
                ) != 4
            )
                throw new UnsoundBooksException(path, "holds no books of Kite Line");
        }
        catch (SqliteException e) when (IsDamage(e))
        {
            throw new UnsoundBooksException(path, $"cannot be read as books: {e.Message}");
        }
    }

    /// <summary>Nobody else on the machine reads customers' data.</summary>
    internal static void OwnersAlone(string path)
    {
        const UnixFileMode Owners = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        // Set only where it is otherwise: on a disk that may not be written to it is the database that says so in words.
        if (!OperatingSystem.IsWindows() && File.Exists(path) && File.GetUnixFileMode(path) != Owners)
            File.SetUnixFileMode(path, Owners);
    }

    // SQLITE_CORRUPT and SQLITE_NOTADB.
    internal static bool IsDamage(SqliteException e) => e.SqliteErrorCode is 11 or 26;
}
