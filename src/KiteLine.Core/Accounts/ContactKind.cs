namespace KiteLine.Core;

/// <summary>How a customer was spoken to.</summary>
public enum ContactKind
{
    /// <summary>By telephone.</summary>
    Call,

    /// <summary>On paper, either way.</summary>
    Letter,

    /// <summary>By e-mail, either way.</summary>
    Email,

    /// <summary>Nobody was spoken to; something is written down for colleagues.</summary>
    Note,
}
