namespace KiteLine.Core;

/// <summary>A further address of a customer.</summary>
/// <param name="Name">Whose or what place it is, such as "Winter store".</param>
public sealed record CustomerAddress(AddressKind Kind, string Name, IReadOnlyList<string> Lines);
