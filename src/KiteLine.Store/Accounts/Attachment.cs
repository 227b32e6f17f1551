namespace KiteLine.Store;

/// <summary>A file kept with an account, without its content.</summary>
public sealed record Attachment
{
    public long Id { get; init; }

    public string Name { get; init; } = "";

    public string MediaType { get; init; } = "";

    /// <summary>In bytes.</summary>
    public long Size { get; init; }

    public string Note { get; init; } = "";

    public string AddedBy { get; init; } = "";

    public string AddedAt { get; init; } = "";
}
