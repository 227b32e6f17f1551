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

    /// <summary>Its terms, or null where they are not known; the forecast needs them for what is delivered later.</summary>
    public Terms? Terms { get; init; }

    /// <summary>Values of the company's own fields.</summary>
    public IReadOnlyDictionary<string, string> Fields { get; init; } = NoFields;

    public IReadOnlyList<StateChange> States { get; init; } = [];

    public IReadOnlyList<LimitChange> Limits { get; init; } = [];

    public IReadOnlyList<Uplift> Uplifts { get; init; } = [];

    public IReadOnlyList<BookOrder> Orders { get; init; } = [];

    public IReadOnlyList<BookReceipt> Receipts { get; init; } = [];

    public IReadOnlyList<BookDispute> Disputes { get; init; } = [];

    public IReadOnlyList<BookPromise> Promises { get; init; } = [];

    public BookItem[] Items { get; init; } = [];

    public BookMovement[] Movements { get; init; } = [];

    private static readonly Dictionary<string, string> NoFields = [];

    /// <summary>What the books showed as open of an item at the end of a day, in minor units: what was posted by then, by value date.</summary>
    public long OpenAt(in BookItem item, DateOnly day)
    {
        if (item.Date > day) return 0;
        long sum = 0;
        foreach (ref readonly var movement in Movements.AsSpan(item.FirstMovement, item.Movements))
            if (movement.ShownFrom <= day) sum += movement.Minor;
        return sum;
    }

    /// <summary>What is disputed on a day of an item, never more than is open of it.</summary>
    public long DisputedAt(int item, long open, DateOnly day)
    {
        long sum = 0;
        for (var i = 0; i < Disputes.Count; i++)
            if (Disputes[i].Item == item && Disputes[i].OpenOn(day)) sum += Disputes[i].Minor;
        return Math.Min(sum, Math.Max(0, open));
    }
}
