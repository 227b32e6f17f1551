namespace KiteLine.Store;

/// <summary>Something found: an account or a document.</summary>
public sealed record Found
{
    public required string Kind { get; init; }

    public required string Title { get; init; }

    /// <summary>The code of the account it is, or is on.</summary>
    public required string Account { get; init; }

    public required string AccountName { get; init; }

    /// <summary>What it was found by, in words, where that is neither code, name nor number; otherwise empty.</summary>
    public required string Detail { get; init; }
}
