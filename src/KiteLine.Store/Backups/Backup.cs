using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Consistent copies of the books, made while others write, and put back.</summary>
public static class Backup
{
    /// <summary>
    /// Copies the books as they stand by the database's own online backup, and verifies the copy before it bears its
    /// name.
    /// </summary>
    /// <exception cref="RefusedException">There is such a file already; names the field <c>file</c>.</exception>
    /// <exception cref="UnsoundBooksException">The copy does not verify, and so neither do the books.</exception>
    public static BackupFacts Write(Books books, string file)
    {
        ArgumentNullException.ThrowIfNull(books);
        if (File.Exists(file))
            throw new RefusedException("file", $"There is a file {file} already; a backup never takes its place.");
        var making = file + ".making";
        File.Delete(making);
        try
        {
            using (var from = books.Connect())
            using (var to = Open(making, SqliteOpenMode.ReadWriteCreate))
            {
                BooksFile.OwnersAlone(making);
                from.BackupDatabase(to);
                // One file that needs no other beside it.
                to.Execute("PRAGMA journal_mode = DELETE");
            }

            var facts = Verified(making) with { File = file };
            File.Move(making, file, overwrite: false);
            return facts;
        }
        finally
        {
            File.Delete(making);
        }
    }

    /// <summary>Puts a backup in the place of the books in a folder, which are kept aside under another name.</summary>
    /// <param name="overNewer">Also where the books there have seen more than the backup.</param>
    /// <exception cref="NotThereException">There is no such file.</exception>
    /// <exception cref="UnsoundBooksException">It is no sound backup.</exception>
    /// <exception cref="NewerBooksException">A newer version of the program made it.</exception>
    /// <exception cref="RefusedException">The books there are newer, or a server works on them.</exception>
    public static BackupFacts Restore(string file, string folder, bool overNewer)
    {
        if (!File.Exists(file))
            throw new NotThereException("file", file);
        BooksFile.Know(file);
        var older = Migration.IsOlder(file);
        // What this version made is looked at before anything is copied; an older one's only once it is up to date.
        var facts = older ? null : Verified(file);
        OwnersFolder.Make(folder);
        var path = Path.Combine(folder, "books.db");
        var making = path + ".making";
        try
        {
            File.Copy(file, making, overwrite: true);
            BooksFile.OwnersAlone(making);
            facts ??= UpToDate(making);
            if (File.Exists(path))
                SetAside(path, facts, overNewer);
            File.Move(making, path, overwrite: false);
        }
        finally
        {
            foreach (var tail in new[] { "", "-wal", "-shm" })
                File.Delete(making + tail);
        }

        return facts with
        {
            File = path,
        };
    }

    private static BackupFacts UpToDate(string making)
    {
        Books.Open(making).Dispose();
        return Verified(making) with { BroughtUpToDate = true };
    }

    /// <summary>The last seal, which stands for everything in the books.</summary>
    public static (string Head, string At) Head(SqliteConnection connection) =>
        connection.QueryFirstOrDefault<(string, string)?>("SELECT hash, at FROM seal ORDER BY id DESC LIMIT 1")
        ?? ("", "");

    /// <summary>When everything in the books was last sealed as it was found: UTC, ISO 8601.</summary>
    public static string SealedAnew(SqliteConnection connection) =>
        connection.ExecuteScalar<string>("SELECT max(at) FROM seal WHERE anew") ?? "";

    private static void SetAside(string path, BackupFacts backup, bool overNewer)
    {
        var aside = $"{path}.before-restore-{DateTime.UtcNow:yyyyMMddHHmmss}";
        try
        {
            BooksFile.Know(path);
            using var there = Open(path, SqliteOpenMode.ReadWrite);
            // Whoever else has them open is noticed by this.
            there.Execute("PRAGMA locking_mode = EXCLUSIVE");
            there.Execute("BEGIN EXCLUSIVE; ROLLBACK");
            var (changes, at) = (there.ExecuteScalar<long>("SELECT changes FROM company"), Head(there).At);
            if (!overNewer && (changes > backup.Changes || string.CompareOrdinal(at, backup.At) > 0))
                throw new RefusedException(
                    "file",
                    $"The books at {path} are newer: they have seen {changes:N0} changes, the last on {at}; the backup "
                        + $"{backup.Changes:N0}, the last on {backup.At}. Say --over-newer to put it in their place all "
                        + "the same; they are kept aside."
                );
            there.Execute("PRAGMA wal_checkpoint(TRUNCATE)");
        }
        catch (SqliteException e) when (e.SqliteErrorCode is 5 or 6)
        {
            throw new RefusedException("data", $"The books at {path} are in use; stop the server first.");
        }
        catch (UnsoundBooksException)
        {
            // What is damaged is what one restores over; it is kept aside like everything.
        }

        File.Move(path, aside);
        File.Delete(BookCopy.PathOf(path));
        foreach (var tail in new[] { "-wal", "-shm" })
            if (File.Exists(path + tail))
                File.Move(path + tail, aside + tail);
    }

    private static BackupFacts Verified(string file)
    {
        using var connection = Open(file, SqliteOpenMode.ReadOnly);
        IReadOnlyList<string> off;
        try
        {
            off = Verifier.Check(connection);
        }
        catch (SqliteException e)
        {
            throw new UnsoundBooksException(file, $"cannot be read as books: {e.Message}");
        }

        if (off.Count > 0)
            throw new UnsoundBooksException(file, $"is not sound, {off.Count} rows are off, the first: {off[0]}");
        var (head, at) = Head(connection);
        return new(file, connection.ExecuteScalar<long>("SELECT changes FROM company"), head, at);
    }

    private static SqliteConnection Open(string file, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = file,
                Mode = mode,
                Pooling = false,
                DefaultTimeout = 2,
            }.ToString()
        );
        connection.Open();
        return connection;
    }
}
