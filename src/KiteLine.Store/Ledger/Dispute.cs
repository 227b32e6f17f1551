using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a customer disputes of an item.</summary>
public sealed record Dispute
{
    public long Id { get; init; }

    public long ItemId { get; init; }

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    public DateOnly FromDate { get; init; }

    /// <summary>Who is to settle it.</summary>
    public string Owner { get; init; } = "";

    public string Reason { get; init; } = "";

    public string MadeBy { get; init; } = "";

    public DateOnly? SettledOn { get; init; }

    public string? Outcome { get; init; }
}
