using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// What a copy of the book was made of. It is good only while all of it is still so: the same build of the core, which
/// laid the rows out in memory; the same number of commits and the same last seal; and a file of the
/// books that nobody wrote to since, by whatever program.
/// </summary>
/// <param name="Modified">When the file of the books was last written to, in ticks.</param>
internal sealed record BookCopyStamp(string Build, long Changes, string Head, long Length, long Modified)
{
    /// <summary>
    /// Of the books as a reader sees them; null where commits wait beside the file to be taken in, since the file does
    /// not tell of those.
    /// </summary>
    internal static BookCopyStamp? Of(SqliteConnection connection)
    {
        var changes = connection.ExecuteScalar<long>("SELECT changes FROM company");
        var file = new FileInfo(connection.DataSource);
        var waiting = new FileInfo(file.FullName + "-wal");
        return waiting.Exists && waiting.Length > 0
            ? null
            : new(
                $"{typeof(BookItem).Module.ModuleVersionId:N}",
                changes,
                Backup.Head(connection).Head,
                file.Length,
                file.LastWriteTimeUtc.Ticks
            );
    }
}
