namespace KiteLine.Core;

/// <summary>One account of a book held in memory: who it is, its limit history, and its items in compact form.</summary>
public sealed record BookAccount
{
    public required long Id { get; init; }

    public required string Code { get; init; }

    public required string Name { get; init; }

    public required Currency Currency { get; init; }

    public string Group { get; init; } = "";

    public string Owner { get; init; } = "";

    public IReadOnlyList<StateChange> States { get; init; } = [];

    public IReadOnlyList<LimitChange> Limits { get; init; } = [];

    public IReadOnlyList<Uplift> Uplifts { get; init; } = [];

    public IReadOnlyList<OpenOrder> Orders { get; init; } = [];

    public BookItem[] Items { get; init; } = [];

    public BookMovement[] Movements { get; init; } = [];

    /// <summary>What was open of an item at the end of a day, in minor units.</summary>
    public long OpenAt(in BookItem item, DateOnly day)
    {
        if (item.Date > day) return 0;
        if (item.Movements == 1) return item.Open;
        long sum = 0;
        foreach (ref readonly var movement in Movements.AsSpan(item.FirstMovement, item.Movements))
            if (movement.ValueDate <= day) sum += movement.Minor;
        return sum;
    }
}
