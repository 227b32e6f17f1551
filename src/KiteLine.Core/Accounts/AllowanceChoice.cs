namespace KiteLine.Core;

/// <summary>Which short-pay allowance holds for an account.</summary>
public enum AllowanceChoice
{
    /// <summary>The company's.</summary>
    Company,

    /// <summary>One of its own.</summary>
    Own,

    /// <summary>None: every shortfall stays open.</summary>
    Barred,
}
