namespace KiteLine.Store;

/// <summary>
/// Parts rows that come mixed into one array for each of a number of owners, each of just the size it needs: first it
/// is told how many will come, then it is given them.
/// </summary>
/// <param name="owners">How many owners there are; they are known by their index.</param>
internal sealed class Dealer<T>(int owners)
{
    private readonly int[] _free = new int[owners];
    private readonly T[][] _dealt = new T[owners][];

    internal void Expect(int owner, int more) => _free[owner] += more;

    internal void Give(int owner, T row) => Give(owner, new ReadOnlySpan<T>(in row));

    /// <summary>Adds rows of an owner; gives the place of the first.</summary>
    internal int Give(int owner, ReadOnlySpan<T> rows)
    {
        var array = _dealt[owner] ??= new T[_free[owner]];
        var place = array.Length - _free[owner];
        rows.CopyTo(array.AsSpan(place));
        _free[owner] -= rows.Length;
        return place;
    }

    /// <summary>What an owner was given; all that was expected must have been.</summary>
    internal T[] Of(int owner) => _dealt[owner] ?? [];
}
