using System.Buffers.Binary;
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
        return _hash.GetHashAndReset();
    }

    /// <summary>As <see cref="Finish"/>, by another processor.</summary>
    internal Task<byte[]> FinishElsewhere()
    {
        var gathered = _buffer.AsSpan(0, _filled).ToArray();
        _filled = 0;
        return Task.Run(() => SHA256.HashData(gathered));
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
        _filled = 0;
    }
}
