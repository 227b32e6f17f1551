namespace KiteLine.Core;

/// <summary>What a credit check does about a finding, from the mildest to the strictest.</summary>
public enum CheckResponse
{
    /// <summary>Go on, informed.</summary>
    Tell,

    /// <summary>Go on after a stated reason.</summary>
    Ask,

    /// <summary>Held until somebody with authority releases it.</summary>
    Refuse,
}
