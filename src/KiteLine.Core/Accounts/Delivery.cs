namespace KiteLine.Core;

/// <summary>How a customer gets documents.</summary>
public enum Delivery
{
    /// <summary>On paper.</summary>
    Print,

    /// <summary>By e-mail.</summary>
    Email,
}
