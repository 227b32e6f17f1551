using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A person who signs in.</summary>
public sealed record User
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>What is typed to sign in. It never changes and is never given to somebody else.</summary>
    public string Name { get; init; } = "";

    /// <summary>The name that stands in the books.</summary>
    public string FullName { get; init; } = "";

    /// <summary>What the user may do.</summary>
    public Role Role { get; init; }

    /// <summary>How far the user may go alone.</summary>
    public Authority Authority { get; init; } = Authority.None;

    /// <summary>One who left stays listed and cannot sign in.</summary>
    public bool Active { get; init; } = true;

    /// <summary>Raised by each change; a change names the one it was made on.</summary>
    public long Version { get; init; }

    /// <summary>As whom the user acts.</summary>
    public Actor Acts() => new(FullName, Role, Authority) { Identity = $"user {Id}" };
}
