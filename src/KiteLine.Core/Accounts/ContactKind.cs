namespace KiteLine.Core;

/// <summary>How a customer was spoken to.</summary>
public enum ContactKind
{
    Call,
    Letter,
    Email,

    /// <summary>Nobody was spoken to; something is written down for colleagues.</summary>
    Note,
}
