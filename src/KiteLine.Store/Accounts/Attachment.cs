namespace KiteLine.Store;

/// <summary>A file kept with an account, without its content.</summary>
public sealed record Attachment
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The name of the file, with its ending.</summary>
    public string Name { get; init; } = "";

    /// <summary>By what the file holds, not by its name.</summary>
    public string MediaType { get; init; } = "";

    /// <summary>In bytes.</summary>
    public long Size { get; init; }

    /// <summary>What the file is.</summary>
    public string Note { get; init; } = "";

    /// <summary>Who kept it, by full name.</summary>
    public string AddedBy { get; init; } = "";

    /// <summary>When it was kept: UTC, ISO 8601.</summary>
    public string AddedAt { get; init; } = "";
}
