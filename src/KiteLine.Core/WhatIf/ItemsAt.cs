namespace KiteLine.Core;

/// <summary>Items as they were known when something was posted.</summary>
internal static class ItemsAt
{
    /// <summary>Those that were there, with the movements that had been made.</summary>
    /// <param name="entry">What was posted before this is known.</param>
    /// <param name="at">Disputes are known as they were noted by then.</param>
    /// <param name="date">Movements that the replay moved are known from their day on.</param>
    internal static List<Item> Of(IReadOnlyList<Item> items, long entry, DateTimeOffset at, DateOnly date)
    {
        var known = new List<Item>(items.Count);
        foreach (var item in items)
        {
            if (item.Movements[0].Entry >= entry)
                continue;
            var all = true;
            for (var i = 1; i < item.Movements.Count && all; i++)
                all = Known(item.Movements[i], entry, date);
            var then = all
                ? item
                : item with
                {
                    Movements = [.. item.Movements.Where((m, i) => i == 0 || Known(m, entry, date))],
                };
            known.Add(
                item.Disputes.Count == 0
                    ? then
                    : then with
                    {
                        Disputes = [.. item.Disputes.Select(d => d.KnownAt(at)).OfType<ItemDispute>()],
                    }
            );
        }

        return known;
    }

    // What the replay moved bears no posting.
    private static bool Known(Movement movement, long entry, DateOnly date) =>
        movement.Entry == Moved ? movement.ValueDate <= date : movement.Entry < entry;

    /// <summary>Of a movement that the replay moved to another day.</summary>
    internal const long Moved = long.MinValue;
}
