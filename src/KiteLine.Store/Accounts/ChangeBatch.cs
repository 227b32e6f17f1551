namespace KiteLine.Store;

/// <summary>A change of many accounts in the list of those made.</summary>
public sealed record ChangeBatch
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The field that was changed, by its title.</summary>
    public string Field { get; init; } = "";

    /// <summary>What it was changed to; empty for none.</summary>
    public string Value { get; init; } = "";

    /// <summary>Why.</summary>
    public string Reason { get; init; } = "";

    /// <summary>By whom, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When: UTC, ISO 8601.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>Who undid it; null while it stands.</summary>
    public string? UndoneBy { get; init; }

    /// <summary>On how many accounts it changed something.</summary>
    public long Accounts { get; init; }
}
