using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One entry of an account's contact log.</summary>
public sealed record LogEntry
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>How there was contact.</summary>
    public ContactKind Kind { get; init; }

    /// <summary>The day of it, which may lie before the entry was made.</summary>
    public DateOnly OnDate { get; init; }

    /// <summary>With whom, or empty.</summary>
    public string Contact { get; init; } = "";

    /// <summary>What was said or written.</summary>
    public string Text { get; init; } = "";

    /// <summary>Who made the entry, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When it was made: UTC, ISO 8601.</summary>
    public string MadeAt { get; init; } = "";
}
