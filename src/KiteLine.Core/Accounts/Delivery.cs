namespace KiteLine.Core;

/// <summary>How a customer gets documents.</summary>
public enum Delivery
{
    Print,
    Email,
}
