namespace KiteLine.Core;

/// <summary>
/// Looks for a set of at least two items that ties to a receipt, each in full or less its discount in force: the fewest
/// items first, among those the oldest due.
/// </summary>
internal sealed class TyingSet
{
    /// <summary>
    /// Places that are looked at before the search is given up: all sets of up to three of 40 items many times over, in
    /// some ten milliseconds.
    /// </summary>
    private const int MostSteps = 1_000_000;

    // Beyond so many items in a set it is found only when it is all of them.
    private const int MostItems = 24;

    private readonly long[] _open;
    private readonly long[] _discounts;
    private readonly Dictionary<long, List<int>> _byNeed = [];
    private readonly List<int> _path = [];
    private readonly List<List<long>> _spare = [];
    private long[][] _least = [];
    private long[][] _most = [];
    private int[]? _found;
    private int _ways;
    private int _steps;

    /// <param name="open">What is open of each item, oldest due first, in minor units; credits below zero.</param>
    /// <param name="discounts">The discount in force of each, or 0.</param>
    internal TyingSet(long[] open, long[] discounts)
    {
        (_open, _discounts) = (open, discounts);
        for (var i = 0; i < open.Length; i++)
        {
            Add(open[i], i);
            if (discounts[i] > 0)
                Add(open[i] - discounts[i], i);
        }
    }

    /// <summary>Whether sets were left out since there are too many.</summary>
    internal bool Bounded { get; private set; }

    /// <summary>How many sets of that size tie; counted to two.</summary>
    internal int Ways => _ways;

    /// <summary>The places of the items of the set, in order; null where none ties.</summary>
    internal int[]? Find(long cash)
    {
        var largest = Math.Min(_open.Length, MostItems);
        Bounded = _open.Length > MostItems;
        Reaches(largest);
        for (var size = 2; size <= largest && _found is null && !OutOfSteps; size++)
            Look(0, size, [cash]);
        Bounded = OutOfSteps || (Bounded && _found is null);
        // Who pays everything is often found all the same.
        if (_found is null && Bounded && DiscountChoices.Of(_open, _discounts, cash, out _) is { } all)
            (_found, _ways) = ([.. Enumerable.Range(0, _open.Length)], all.Ways);
        return _found;
    }

    private bool OutOfSteps => _steps >= MostSteps;

    private void Add(long need, int place)
    {
        if (_byNeed.TryGetValue(need, out var places))
            places.Add(place);
        else
            _byNeed.Add(need, [place]);
    }

    // The least and the most that so many of the items from a place on can need.
    private void Reaches(int largest)
    {
        var n = _open.Length;
        (_least, _most) = (new long[n + 1][], new long[n + 1][]);
        var (low, high) = (new List<long>(largest), new List<long>(largest));
        for (var from = n; from >= 0; from--)
        {
            if (from < n)
            {
                Keep(low, _open[from] - _discounts[from], largest, ascending: true);
                Keep(high, _open[from], largest, ascending: false);
            }

            (_least[from], _most[from]) = (Sums(low), Sums(high));
        }
    }

    private static void Keep(List<long> sorted, long value, int most, bool ascending)
    {
        var at = 0;
        while (at < sorted.Count && (ascending ? sorted[at] <= value : sorted[at] >= value))
            at++;
        sorted.Insert(at, value);
        if (sorted.Count > most)
            sorted.RemoveAt(most);
    }

    private static long[] Sums(List<long> sorted)
    {
        var sums = new long[sorted.Count + 1];
        for (var i = 0; i < sorted.Count; i++)
            sums[i + 1] = sums[i] + sorted[i];
        return sums;
    }

    // Sets of so many items from a place on, in the order of their places, so that the first that ties is the one. What is
    // left for them depends on which items before them took their discounts: all that is possible is carried along.
    private void Look(int from, int size, List<long> left)
    {
        if (size == 1)
        {
            Last(from, left);
            return;
        }

        var reachable = Spare(size);
        for (var i = from; i <= _open.Length - size && _ways < 2; i++)
        {
            reachable.Clear();
            var (least, most) = (_least[i][size], _most[i][size]);
            foreach (var l in left)
                if (l >= least && l <= most)
                {
                    reachable.Add(l - _open[i]);
                    if (_discounts[i] > 0)
                        reachable.Add(l - _open[i] + _discounts[i]);
                }

            // What cannot be reached from here on can be reached from no later place.
            _steps += left.Count;
            if (reachable.Count == 0 || OutOfSteps)
                return;
            _path.Add(i);
            Look(i + 1, size - 1, reachable);
            _path.RemoveAt(_path.Count - 1);
        }
    }

    private void Last(int from, List<long> left)
    {
        var (place, ways) = (int.MaxValue, 0);
        foreach (var l in left)
        {
            _steps++;
            if (!_byNeed.TryGetValue(l, out var places))
                continue;
            var at = places.BinarySearch(from);
            at = at >= 0 ? at : ~at;
            if (at == places.Count)
                continue;
            place = Math.Min(place, places[at]);
            ways += places.Count - at;
        }

        if (ways == 0)
            return;
        _found ??= [.. _path, place];
        _ways = Math.Min(2, _ways + ways);
    }

    private List<long> Spare(int size)
    {
        while (_spare.Count <= size)
            _spare.Add([]);
        return _spare[size];
    }
}
