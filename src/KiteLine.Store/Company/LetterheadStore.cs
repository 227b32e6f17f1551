using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The picture at the head of what is printed. What was printed before keeps its own.</summary>
public static class LetterheadStore
{
    /// <summary>The picture that holds, as PNG; empty without any.</summary>
    public static byte[] Picture(SqliteConnection connection) =>
        connection.QueryFirstOrDefault<byte[]>("SELECT content FROM letterhead ORDER BY id DESC LIMIT 1") ?? [];

    /// <summary>The picture that held at some time, as PNG; empty without any.</summary>
    internal static byte[] Picture(SqliteConnection connection, long id) =>
        connection.QueryFirstOrDefault<byte[]>("SELECT content FROM letterhead WHERE id = @id", new { id }) ?? [];

    /// <summary>Which picture holds; null where none was ever set.</summary>
    internal static long? Current(SqliteConnection connection) =>
        connection.ExecuteScalar<long?>("SELECT max(id) FROM letterhead");

    /// <summary>Prints a picture from now on, or none where it is empty.</summary>
    /// <exception cref="RefusedException">There is none that could be taken away.</exception>
    public static void Set(Tx tx, byte[] png)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(png);
        if (png.Length > Bounds.LetterheadPicture)
            throw new RefusedException("file", "The picture is too large when it is stored; send a simpler one.");
        if (png.Length == 0 && Picture(tx.Connection).Length == 0)
            throw new RefusedException("file", "There is no picture that could be taken away.");
        tx.Connection.Execute(
            "INSERT INTO letterhead (type, content, made_by, made_at) VALUES (@type, @png, @Who, @Now)",
            new
            {
                type = png.Length == 0 ? "" : "image/png",
                png,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            "company",
            png.Length == 0 ? "letterhead taken away" : "letterhead",
            new { bytes = png.Length }
        );
    }
}
