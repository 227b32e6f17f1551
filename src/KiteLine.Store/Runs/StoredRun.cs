using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A run as the books have it.</summary>
public sealed record StoredRun
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>What it does.</summary>
    public RunKind Kind { get; init; }

    /// <summary>The last day charged, or the day that the letters bear.</summary>
    public DateOnly Date { get; init; }

    /// <summary>Which accounts it looks at, in words.</summary>
    public string Scope { get; init; } = "";

    /// <summary>Who proposed it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When, as ISO 8601 in UTC.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>How far it has come.</summary>
    public RunState State { get; init; }

    /// <summary>What its last step says beside the state; empty for nothing.</summary>
    public string Detail { get; init; } = "";

    /// <summary>Who took the last step.</summary>
    public string LastBy { get; init; } = "";

    /// <summary>When.</summary>
    public string LastAt { get; init; } = "";

    /// <summary>Whether documents go out to the customers when they are posted.</summary>
    public bool Send { get; init; }
}
