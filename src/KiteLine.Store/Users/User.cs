using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A person who signs in.</summary>
public sealed record User
{
    public long Id { get; init; }

    /// <summary>What is typed to sign in. It never changes and is never given to somebody else.</summary>
    public string Name { get; init; } = "";

    /// <summary>The name that stands in the books.</summary>
    public string FullName { get; init; } = "";

    public Role Role { get; init; }

    public Authority Authority { get; init; } = Authority.None;

    /// <summary>One who left stays listed and cannot sign in.</summary>
    public bool Active { get; init; } = true;

    public long Version { get; init; }

    public Actor Acts() => new(FullName, Role, Authority);
}
