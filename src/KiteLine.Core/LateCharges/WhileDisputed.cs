namespace KiteLine.Core;

/// <summary>What becomes of interest on an amount while the customer disputes it.</summary>
public enum WhileDisputed
{
    /// <summary>It is charged like any other.</summary>
    Charged,

    /// <summary>It is never charged for the days of the dispute.</summary>
    Held,

    /// <summary>It waits, and is charged for those days too once the dispute ends against the customer.</summary>
    HeldUntilSettled,
}
