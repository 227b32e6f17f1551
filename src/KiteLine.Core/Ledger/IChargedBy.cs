namespace KiteLine.Core;

/// <summary>
/// What a late charge was raised by. The ledger keeps it beside what was raised and asks nothing of it; only late
/// charges know what it says.
/// </summary>
public interface IChargedBy
{
    /// <summary>Its printed name.</summary>
    string Label { get; }

    /// <summary>Whether a fixed sum was raised with the interest.</summary>
    bool Compensates { get; }
}
