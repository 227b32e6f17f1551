using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One entry of an account's contact log.</summary>
public sealed record LogEntry
{
    public long Id { get; init; }

    public ContactKind Kind { get; init; }

    public DateOnly OnDate { get; init; }

    /// <summary>With whom, or empty.</summary>
    public string Contact { get; init; } = "";

    public string Text { get; init; } = "";

    public string MadeBy { get; init; } = "";

    public string MadeAt { get; init; } = "";
}
