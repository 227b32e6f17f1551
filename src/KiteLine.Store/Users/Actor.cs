using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Who does something in the books, and how far he or she may go alone.</summary>
/// <param name="Name">The name that is written into the books.</param>
public sealed record Actor(string Name, Role Role, Authority Authority)
{
    private readonly Authority _authority = Authority;

    /// <summary>How far he or she may go alone.</summary>
    public Authority Authority
    {
        get => _authority with { Holder = Identity };
        init => _authority = value;
    }

    /// <summary>
    /// Who it is, whatever name stands in the books: what somebody did is compared by this alone. Of a user and a key it
    /// is made of the identifier, which never changes.
    /// </summary>
    public string Identity { get; init; } = $"program {Name}";

    /// <summary>The program itself, when it sets up books or brings files in.</summary>
    public static Actor Program(string name) => new(name, Role.Administrator, Authority.Unbounded);
}
