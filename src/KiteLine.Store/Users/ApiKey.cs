using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A key by which another program calls. The key itself is never stored.</summary>
public sealed record ApiKey
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The program that uses it.</summary>
    public string Name { get; init; } = "";

    /// <summary>What it may do.</summary>
    public Role Role { get; init; }

    /// <summary>Who made it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When: UTC, ISO 8601.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>Who revoked it; null while it is in use.</summary>
    public string? RevokedBy { get; init; }

    /// <summary>When it was revoked; null while it is in use.</summary>
    public string? RevokedAt { get; init; }

    // A program asks and posts; decisions that need authority are a person's.

    /// <summary>As whom it acts. A key has no authority of its own above its role.</summary>
    public Actor Acts() => new($"key {Name}", Role, Authority.None) { Identity = $"key {Id}" };
}
