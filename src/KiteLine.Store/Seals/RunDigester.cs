namespace KiteLine.Store;

/// <summary>
/// Digests rows while they are written, where reading them again to seal them would take as long as writing them did. It
/// is given all values of a row, in the order of the table's columns, as <see cref="SealReader"/> would read them.
/// </summary>
/// <param name="of">Whose rows, as <see cref="SealedTables"/> names them.</param>
/// <param name="last">The last key before the first row.</param>
internal sealed class RunDigester(string of, long last) : IDisposable
{
    private readonly ContentDigest _digest = new(elsewhere: true);
    private readonly List<(long First, long Last, Task<(byte[] Digest, byte[] Marks)> Digest)> _runs = [];
    private long _first = last + 1;
    private long _last = last;

    /// <summary>Where the values of the next row go.</summary>
    /// <param name="key">Higher than that of the row before.</param>
    internal ContentDigest Row(long key)
    {
        if (key >= _first + SealedRun.Most)
            Close();
        else if (_last >= _first)
            _digest.EndRow(_last);
        _last = key;
        return _digest;
    }

    /// <summary>What was digested.</summary>
    internal IReadOnlyList<SealedRun> Finish()
    {
        Close();
        return _runs.ConvertAll(r =>
        {
            var (digest, marks) = r.Digest.GetAwaiter().GetResult();
            return new SealedRun(of, r.First, r.Last, digest, marks);
        });
    }

    public void Dispose() => _digest.Dispose();

    private void Close()
    {
        if (_last < _first)
            return;
        _digest.EndRow(_last);
        _runs.Add((_first, _last, _digest.FinishElsewhere(_first, _last)));
        _first = _last + 1;
    }
}
