namespace KiteLine.Core;

/// <summary>A customer as it stands on whatever is printed.</summary>
/// <param name="AccountCode">The customer's account.</param>
/// <param name="Name">Its legal name, or its trading name where it has no other.</param>
/// <param name="Address">Its address below the name, line by line.</param>
public sealed record Addressee(string AccountCode, string Name, IReadOnlyList<string> Address)
{
    /// <summary>Whether another one prints alike.</summary>
    public bool PrintsAs(Addressee other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return (AccountCode, Name) == (other.AccountCode, other.Name) && Address.SequenceEqual(other.Address);
    }
}
