namespace KiteLine.Store;

/// <summary>A file that a message brought.</summary>
public sealed record KeptFile
{
    /// <summary>Counted from 1 over all messages.</summary>
    public long Id { get; init; }

    /// <summary>Of the file.</summary>
    public string Name { get; init; } = "";

    /// <summary>Such as <c>application/pdf</c>.</summary>
    public string MediaType { get; init; } = "";

    /// <summary>In bytes.</summary>
    public long Size { get; init; }
}
