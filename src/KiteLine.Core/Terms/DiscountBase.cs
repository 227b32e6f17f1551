namespace KiteLine.Core;

/// <summary>What a discount percentage is taken of.</summary>
public enum DiscountBase
{
    /// <summary>The amount including tax.</summary>
    Gross,

    /// <summary>The amount before tax.</summary>
    Net,
}
