namespace KiteLine.Core;

/// <summary>A person at a customer.</summary>
/// <param name="Role">What for, such as accounts payable.</param>
public sealed record CustomerContact(
    string Name,
    string Role = "",
    string Phone = "",
    string Email = "",
    bool Active = true
);
