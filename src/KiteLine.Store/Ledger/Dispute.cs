using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What a customer disputes of an item.</summary>
public sealed record Dispute
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The item that is disputed, in whole or in part.</summary>
    public long ItemId { get; init; }

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    /// <summary>The first day it holds.</summary>
    public DateOnly FromDate { get; init; }

    /// <summary>Who is to settle it.</summary>
    public string Owner { get; init; } = "";

    /// <summary>What the customer says.</summary>
    public string Reason { get; init; } = "";

    /// <summary>Who noted it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>The first day it no longer holds; null while it is open.</summary>
    public DateOnly? SettledOn { get; init; }

    /// <summary>What came of it; null while it is open.</summary>
    public string? Outcome { get; init; }

    /// <summary>Whether it ended with the customer owing what was disputed; null while it is open.</summary>
    public bool? AgainstCustomer { get; init; }
}
