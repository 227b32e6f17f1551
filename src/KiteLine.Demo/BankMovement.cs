using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>One payment as the simulated bank writes it down.</summary>
/// <param name="Amount">What was credited; below zero what was debited.</param>
/// <param name="Other">Who paid, or was paid; empty for the bank itself.</param>
/// <param name="OtherAccount">Its bank account; empty for none.</param>
/// <param name="Lines">What the payer wrote.</param>
internal sealed record BankMovement(Money Amount, string Other, string OtherAccount, params string[] Lines)
{
    /// <summary>A reference by ISO 11649 in a field of its own.</summary>
    internal string Structured { get; init; } = "";

    /// <summary>The payer's own reference.</summary>
    internal string EndToEnd { get; init; } = "NOTPROVIDED";

    /// <summary>What the bank kept of it.</summary>
    internal Money? Charges { get; init; }

    /// <summary>What was paid in another currency.</summary>
    internal Money? Foreign { get; init; }

    /// <summary>Why it came back; empty where it did not.</summary>
    internal string Returned { get; init; } = "";

    /// <summary>Not booked yet.</summary>
    internal bool Pending { get; init; }
}
