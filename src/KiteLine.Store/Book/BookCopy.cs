using System.Buffers.Binary;
using System.IO.Hashing;
using System.Runtime.InteropServices;
using System.Text.Json;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// The items and movements of the whole book as they lie in memory, kept beside the books when a server stops, so that
/// the next start need not make them out of millions of rows. The books remain the only truth: a copy that is not of
/// just these books (<see cref="BookCopyStamp"/>) or is damaged in any part is passed over, and may be deleted at any
/// time. <see cref="Verifier"/> holds it against the rows.
/// </summary>
/// <remarks>
/// The file is a row of parts: their length, their checksum, their bytes. First the stamp, then blocks of accounts,
/// then an empty one, without which it was cut short.
/// </remarks>
internal sealed class BookCopy
{
    // A part is some megabytes, so that neither side holds much of the file at once.
    private const int RowsInABlock = 100_000;
    private const int Head = sizeof(int) + sizeof(ulong);

    // An account is never parted, and one of a million items is some 100 MB; whatever says far more is no copy.
    private const int LongestPart = 1 << 30;

    private readonly Task<List<(long Account, ItemReader.Held Held)>?> _reading;

    private BookCopy(FileStream file) =>
        _reading = Task.Run(() =>
        {
            using (file)
                return Blocks(file);
        });

    internal static string PathOf(string books) => books + ".copy";

    /// <summary>Begins to read the copy of these books; null where there is none that is of just these.</summary>
    internal static BookCopy? Open(SqliteConnection connection)
    {
        var path = PathOf(connection.DataSource);
        if (!File.Exists(path) || BookCopyStamp.Of(connection) is not { } stamp)
            return null;
        try
        {
            var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.Read | FileShare.Delete, 0);
            if (IsOf(file, stamp))
                return new(file);
            file.Dispose();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // Without it the rows are read.
        }

        return null;
    }

    /// <summary>What each account holds; null where the copy is damaged.</summary>
    /// <param name="places">The place of each account of the books.</param>
    internal ItemReader.Held[]? Of(Dictionary<long, int> places)
    {
        if (_reading.GetAwaiter().GetResult() is not { } copied || copied.Count != places.Count)
            return null;
        var held = new ItemReader.Held[places.Count];
        foreach (var (account, of) in copied)
        {
            if (!places.TryGetValue(account, out var place))
                return null;
            held[place] = of;
        }

        return held;
    }

    /// <summary>Keeps a copy of the book, in the place of an older one.</summary>
    /// <param name="path">The file of the books.</param>
    /// <param name="stamp">Of the books in the very state that the accounts are of.</param>
    /// <exception cref="IOException">There is no room for it, or it may not be written here.</exception>
    internal static void Keep(string path, BookCopyStamp stamp, BookAccount[] accounts)
    {
        var (kept, making) = (PathOf(path), PathOf(path) + ".making");
        if (IsKept(kept, stamp))
            return;
        try
        {
            File.Delete(making);
            using (var file = new FileStream(making, FileMode.CreateNew, FileAccess.Write))
            {
                BooksFile.OwnersAlone(making);
                WritePart(file, JsonSerializer.SerializeToUtf8Bytes(stamp));
                foreach (var block in InBlocks(accounts))
                    WritePart(file, Block(block));
                WritePart(file, []);
            }

            File.Move(making, kept, overwrite: true);
        }
        finally
        {
            File.Delete(making);
        }
    }

    private static bool IsKept(string path, BookCopyStamp stamp)
    {
        if (!File.Exists(path))
            return false;
        using var file = File.OpenRead(path);
        return IsOf(file, stamp);
    }

    private static bool IsOf(FileStream file, BookCopyStamp stamp)
    {
        byte[] buffer = [];
        return Part(file, ref buffer) is { Length: > 0 } part
            && JsonSerializer.SerializeToUtf8Bytes(stamp).AsSpan().SequenceEqual(part.Span);
    }

    private static IEnumerable<ArraySegment<BookAccount>> InBlocks(BookAccount[] accounts)
    {
        for (int from = 0, to = 0; from < accounts.Length; from = to)
        {
            var rows = 0L;
            do rows += 1 + accounts[to].Items.Length + accounts[to].Movements.Length;
            while (++to < accounts.Length && rows < RowsInABlock);
            yield return new(accounts, from, to - from);
        }
    }

    private static byte[] Block(ArraySegment<BookAccount> accounts)
    {
        var block = new MemoryStream();
        Write<int>(block, [accounts.Count]);
        foreach (var a in accounts)
            Write<long>(block, [a.Id, a.Items.Length, a.Movements.Length]);
        foreach (var a in accounts)
        {
            Write<BookItem>(block, a.Items);
            Write<long>(block, a.ItemIds);
            Write<BookMovement>(block, a.Movements);
        }

        return block.ToArray();
    }

    private static void Write<T>(MemoryStream block, ReadOnlySpan<T> rows)
        where T : unmanaged => block.Write(MemoryMarshal.AsBytes(rows));

    private static void WritePart(FileStream file, byte[] bytes)
    {
        Span<byte> head = stackalloc byte[Head];
        BinaryPrimitives.WriteInt32LittleEndian(head, bytes.Length);
        BinaryPrimitives.WriteUInt64LittleEndian(head[sizeof(int)..], XxHash3.HashToUInt64(bytes));
        file.Write(head);
        file.Write(bytes);
    }

    private static List<(long Account, ItemReader.Held Held)>? Blocks(FileStream file)
    {
        var accounts = new List<(long, ItemReader.Held)>();
        byte[] buffer = [];
        try
        {
            while (Part(file, ref buffer) is { } part)
            {
                if (part.Length == 0)
                    return accounts;
                Read(part.Span, accounts);
            }
        }
        catch (Exception e) when (e is IOException or ArgumentException)
        {
            // Damaged in a way that its checksum does not show, or not readable any more.
        }

        return null;
    }

    private static void Read(ReadOnlySpan<byte> block, List<(long, ItemReader.Held)> accounts)
    {
        var heads = MemoryMarshal.Cast<byte, long>(block.Slice(sizeof(int), Count(block) * 3 * sizeof(long)));
        var rest = block[(sizeof(int) + heads.Length * sizeof(long))..];
        for (; heads.Length > 0; heads = heads[3..])
        {
            var items = Take<BookItem>(ref rest, heads[1]);
            var ids = Take<long>(ref rest, heads[1]);
            accounts.Add((heads[0], new(items, ids, Take<BookMovement>(ref rest, heads[2]))));
        }
    }

    private static int Count(ReadOnlySpan<byte> block) => MemoryMarshal.Read<int>(block);

    private static T[] Take<T>(ref ReadOnlySpan<byte> rest, long count)
        where T : unmanaged
    {
        var rows = new T[count];
        var bytes = MemoryMarshal.AsBytes(rows.AsSpan());
        rest[..bytes.Length].CopyTo(bytes);
        rest = rest[bytes.Length..];
        return rows;
    }

    // The next part of a file in a buffer that is used again; null where it is damaged or cut short.
    private static ReadOnlyMemory<byte>? Part(FileStream file, ref byte[] buffer)
    {
        Span<byte> head = stackalloc byte[Head];
        if (file.ReadAtLeast(head, Head, throwOnEndOfStream: false) < Head)
            return null;
        var length = BinaryPrimitives.ReadInt32LittleEndian(head);
        if (length is < 0 or > LongestPart || length > file.Length - file.Position)
            return null;
        if (buffer.Length < length)
            buffer = new byte[length];
        file.ReadExactly(buffer, 0, length);
        if (
            XxHash3.HashToUInt64(buffer.AsSpan(0, length))
            != BinaryPrimitives.ReadUInt64LittleEndian(head[sizeof(int)..])
        )
            return null;
        return buffer.AsMemory(0, length);
    }
}
