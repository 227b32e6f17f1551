namespace KiteLine.Store;

/// <summary>Something found: an account or a document.</summary>
public sealed record Found
{
    /// <summary><c>account</c> or <c>document</c>.</summary>
    public required string Kind { get; init; }

    /// <summary>The account’s name, or the document’s number.</summary>
    public required string Title { get; init; }

    /// <summary>The code of the account it is, or is on.</summary>
    public required string Account { get; init; }

    /// <summary>The name of the account, also of a document’s.</summary>
    public required string AccountName { get; init; }

    /// <summary>What it was found by, in words, where that is neither code, name nor number; otherwise empty.</summary>
    public required string Detail { get; init; }
}
