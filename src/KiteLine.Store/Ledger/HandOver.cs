namespace KiteLine.Store;

/// <summary>Journal entries that went to the general ledger together.</summary>
public sealed record HandOver
{
    /// <summary>Its number; they are counted from 1.</summary>
    public long Id { get; init; }

    /// <summary>The first entry.</summary>
    public long FirstEntry { get; init; }

    /// <summary>The last entry.</summary>
    public long LastEntry { get; init; }

    /// <summary>How many entries they are.</summary>
    public long Entries { get; init; }

    /// <summary>Who handed them over, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When, in UTC.</summary>
    public string MadeAt { get; init; } = "";
}
