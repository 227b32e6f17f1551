namespace KiteLine.Core;

/// <summary>
/// A page of very many entries in the order of their sizes, of which only the sizes are held; the entries of the page alone
/// are made.
/// </summary>
internal sealed class Largest
{
    private readonly List<(long Size, int Of, int At)> _all = [];

    /// <summary>Takes an entry down.</summary>
    /// <param name="of">The place of what it belongs to.</param>
    /// <param name="at">Its place there.</param>
    internal void Add(long size, int of, int at) => _all.Add((size, of, at));

    /// <summary>How many there are, and where those of the page are found, the largest first.</summary>
    internal (int Total, IReadOnlyList<(int Of, int At)> Page) Page(int skip, int take)
    {
        // Those of one size keep the order in which they came.
        _all.Sort((a, b) => a.Size != b.Size ? b.Size.CompareTo(a.Size) : (a.Of, a.At).CompareTo((b.Of, b.At)));
        var page = new List<(int, int)>();
        for (var i = skip; i < Math.Min(_all.Count, (long)skip + take); i++)
            page.Add((_all[i].Of, _all[i].At));
        return (_all.Count, page);
    }
}
