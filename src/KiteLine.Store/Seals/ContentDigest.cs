using System.Buffers.Binary;
using System.IO.Hashing;
using System.Security.Cryptography;

namespace KiteLine.Store;

/// <summary>
/// SHA-256 over values one after the other. Each bears its kind and its length, so that no two different rows give the
/// same bytes.
/// </summary>
/// <param name="elsewhere">Whether it is worked out by another processor: all values are gathered first.</param>
internal sealed class ContentDigest(bool elsewhere = false) : IDisposable
{
    private const int Head = 1 + sizeof(long);
    private readonly IncrementalHash _hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
    private byte[] _buffer = new byte[32 * 1024];
    private int _filled;

    // What was given since the last row ended; of one that is worked out elsewhere where each row ended.
    private readonly XxHash64 _row = new();
    private readonly List<(long Key, int End)> _ends = [];
    private int _rowFrom;

    internal void Number(long value) => Put((byte)'n', value);

    internal void Number(long? value)
    {
        if (value is { } given)
            Number(given);
        else
            Nothing();
    }

    internal void Nothing() => Put((byte)'0', 0);

    /// <param name="utf8">A text as it is stored.</param>
    internal void Text(ReadOnlySpan<byte> utf8) => Put((byte)'t', utf8);

    internal void Bytes(ReadOnlySpan<byte> bytes) => Put((byte)'b', bytes);

    /// <summary>The digest of what was given so far; the next value begins another.</summary>
    internal byte[] Finish()
    {
        Flush();
        _row.Reset();
        return _hash.GetHashAndReset();
    }

    /// <summary>Ends what was given as the row or the rows of a key, and marks it.</summary>
    internal void EndRow(RowMarks marks, long key)
    {
        _row.Append(_buffer.AsSpan(_rowFrom.._filled));
        _rowFrom = _filled;
        marks.Set(key, _row.GetCurrentHashAsUInt64());
        _row.Reset();
    }

    /// <summary>The same for what is worked out elsewhere.</summary>
    internal void EndRow(long key) => _ends.Add((key, _filled));

    /// <summary>As <see cref="Finish"/>, by another processor, with the marks of the rows.</summary>
    internal Task<(byte[] Digest, byte[] Marks)> FinishElsewhere(long first, long last)
    {
        var gathered = _buffer.AsSpan(0, _filled).ToArray();
        (long Key, int End)[] ends = [.. _ends];
        _filled = 0;
        _ends.Clear();
        return Task.Run(() =>
        {
            var (marks, from) = (new RowMarks(first), 0);
            foreach (var (key, end) in ends)
            {
                marks.Set(key, XxHash64.HashToUInt64(gathered.AsSpan(from..end)));
                from = end;
            }

            return (SHA256.HashData(gathered), marks.Through(last));
        });
    }

    public void Dispose() => _hash.Dispose();

    private void Put(byte kind, long value)
    {
        MakeRoom(Head);
        _buffer[_filled] = kind;
        BinaryPrimitives.WriteInt64LittleEndian(_buffer.AsSpan(_filled + 1), value);
        _filled += Head;
    }

    private void Put(byte kind, ReadOnlySpan<byte> bytes)
    {
        Put(kind, bytes.Length);
        MakeRoom(bytes.Length);
        if (bytes.Length > _buffer.Length)
        {
            _hash.AppendData(bytes);
            _row.Append(bytes);
            return;
        }

        bytes.CopyTo(_buffer.AsSpan(_filled));
        _filled += bytes.Length;
    }

    private void MakeRoom(int bytes)
    {
        if (bytes <= _buffer.Length - _filled)
            return;
        if (elsewhere)
            Array.Resize(ref _buffer, Math.Max(2 * _buffer.Length, _filled + bytes));
        else
            Flush();
    }

    private void Flush()
    {
        _hash.AppendData(_buffer, 0, _filled);
        _row.Append(_buffer.AsSpan(_rowFrom.._filled));
        (_filled, _rowFrom) = (0, 0);
    }
}
