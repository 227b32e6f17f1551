namespace KiteLine.Core;

/// <summary>What becomes of a charge below the policy's minimum.</summary>
public enum BelowMinimum
{
    /// <summary>The minimum is charged.</summary>
    Raise,

    /// <summary>Nothing is charged.</summary>
    Skip,
}
