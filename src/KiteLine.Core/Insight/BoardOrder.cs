namespace KiteLine.Core;

/// <summary>
/// The rows of a board in one order, equal ones in the order of the accounts. When rows change, only these are put into
/// their new places.
/// </summary>
internal sealed class BoardOrder
{
    private readonly BoardSort _sort;
    private readonly int[] _places;

    private BoardOrder(BoardSort sort, int[] places)
    {
        _sort = sort;
        _places = places;
    }

    /// <summary>Indices of rows, in order.</summary>
    internal ReadOnlySpan<int> Places => _places;

    /// <summary>Sorts all rows.</summary>
    internal static BoardOrder Of(AccountPosition[] rows, BoardSort sort)
    {
        var places = new int[rows.Length];
        for (var i = 0; i < places.Length; i++)
            places[i] = i;
        if (ByText(sort))
        {
            var texts = Array.ConvertAll(rows, r => Text(r, sort));
            Array.Sort(texts, places, StringComparer.OrdinalIgnoreCase);
            KeepTies(places, (a, b) => StringComparer.OrdinalIgnoreCase.Equals(texts[a], texts[b]));
        }
        else if (sort != BoardSort.Code)
        {
            var keys = Array.ConvertAll(rows, r => Key(r, sort));
            Array.Sort(keys, places);
            KeepTies(places, (a, b) => keys[a] == keys[b]);
        }

        return new(sort, places);
    }

    /// <summary>The order after some rows changed.</summary>
    /// <param name="rows">All rows as they are now, as many as before.</param>
    /// <param name="changed">Indices of those that changed.</param>
    internal BoardOrder After(AccountPosition[] rows, IReadOnlyCollection<int> changed)
    {
        if (_sort == BoardSort.Code || changed.Count == 0)
            return this;
        var moving = new bool[rows.Length];
        foreach (var row in changed)
            moving[row] = true;
        var staying = new int[rows.Length - changed.Count];
        var at = 0;
        foreach (var row in _places)
            if (!moving[row])
                staying[at++] = row;
        var order = Comparer<int>.Create((a, b) => Compare(rows, a, b));
        var places = new int[rows.Length];
        var (taken, filled) = (0, 0);
        foreach (var row in changed.Order(order))
        {
            var before = ~Array.BinarySearch(staying, row, order);
            staying.AsSpan(taken, before - taken).CopyTo(places.AsSpan(filled));
            filled += before - taken;
            places[filled++] = row;
            taken = before;
        }

        staying.AsSpan(taken).CopyTo(places.AsSpan(filled));
        return new(_sort, places);
    }

    private int Compare(AccountPosition[] rows, int a, int b)
    {
        var byKey = ByText(_sort)
            ? StringComparer.OrdinalIgnoreCase.Compare(Text(rows[a], _sort), Text(rows[b], _sort))
            : Key(rows[a], _sort).CompareTo(Key(rows[b], _sort));
        return byKey != 0 ? byKey : a.CompareTo(b);
    }

    // Sorting by keys leaves equal ones in any order.
    private static void KeepTies(int[] places, Func<int, int, bool> equal)
    {
        for (var from = 0; from < places.Length; )
        {
            var to = from + 1;
            while (to < places.Length && equal(from, to))
                to++;
            if (to - from > 1)
                Array.Sort(places, from, to - from);
            from = to;
        }
    }

    private static bool ByText(BoardSort sort) => sort is BoardSort.Name or BoardSort.Owner;

    private static string Text(AccountPosition row, BoardSort sort) =>
        sort == BoardSort.Name ? row.Account.Name : row.Account.Owner;

    // Money is compared in major units, so that a mixed book sorts by size and not by decimals.
    private static double Key(AccountPosition row, BoardSort sort)
    {
        double unit = row.Account.Currency.MinorPerMajor;
        return sort switch
        {
            BoardSort.State => (int)row.State,
            BoardSort.Exposure => row.Exposure / unit,
            BoardSort.Limit => row.EffectiveLimit / unit,
            BoardSort.Headroom => row.Headroom / unit,
            BoardSort.Overdue => row.Overdue / unit,
            BoardSort.Orders => row.Orders / unit,
            BoardSort.Utilisation => (double)row.Utilisation,
            BoardSort.OldestDays => row.OldestDays,
            // What has no such day comes last.
            BoardSort.Review => (row.Limit?.ReviewOn ?? DateOnly.MaxValue).DayNumber,
            BoardSort.PassesOn => (row.PassesOn ?? DateOnly.MaxValue).DayNumber,
            _ => throw new ArgumentOutOfRangeException(nameof(sort)),
        };
    }
}
