using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The record of a group of accounts.</summary>
public sealed record AccountGroup
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>Unique without regard to case.</summary>
    public string Name { get; init; } = "";

    /// <summary>In which its limit is kept and its accounts are added up.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>The group it belongs to itself, or empty.</summary>
    public string Parent { get; init; } = "";

    /// <summary>Raised by each change; a change names the one it was made on.</summary>
    public long Version { get; init; }
}
