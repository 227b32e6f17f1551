using System.Buffers.Binary;

namespace KiteLine.Store;

/// <summary>
/// Two bytes of a quick hash for each key of a run, zero where there is no row. The digest of the run says that something
/// is off; the marks say which row it is, but for one time in 65,536.
/// </summary>
/// <param name="first">The first key.</param>
internal sealed class RowMarks(long first)
{
    private byte[] _marks = [];

    /// <summary>Sets the mark of a key.</summary>
    internal void Set(long key, ulong hash)
    {
        var at = checked((int)(key - first) * sizeof(ushort));
        if (_marks.Length < at + sizeof(ushort))
            Array.Resize(ref _marks, Math.Max(2 * _marks.Length, at + sizeof(ushort)));
        // Zero is the mark of no row.
        BinaryPrimitives.WriteUInt16LittleEndian(_marks.AsSpan(at), (ushort)((hash % ushort.MaxValue) + 1));
    }

    /// <summary>The marks of all keys through the last one.</summary>
    internal byte[] Through(long last)
    {
        Array.Resize(ref _marks, checked((int)(last - first + 1) * sizeof(ushort)));
        return _marks;
    }

    /// <summary>The keys whose marks differ.</summary>
    internal static IEnumerable<long> Differing(long first, byte[] one, byte[] other)
    {
        for (var at = 0; at + 1 < Math.Min(one.Length, other.Length); at += sizeof(ushort))
            if (one[at] != other[at] || one[at + 1] != other[at + 1])
                yield return first + (at / sizeof(ushort));
    }
}
