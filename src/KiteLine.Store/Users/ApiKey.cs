using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A key by which another program calls. The key itself is never stored.</summary>
public sealed record ApiKey
{
    public long Id { get; init; }

    public string Name { get; init; } = "";

    public Role Role { get; init; }

    public string MadeBy { get; init; } = "";

    public string MadeAt { get; init; } = "";

    public string? RevokedBy { get; init; }

    public string? RevokedAt { get; init; }

    // A program asks and posts; decisions that need authority are a person's.
    public Actor Acts() => new($"key {Name}", Role, Authority.None);
}
