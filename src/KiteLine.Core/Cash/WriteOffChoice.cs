namespace KiteLine.Core;

/// <summary>What the controller decided about the rest of one item in a payment.</summary>
public enum WriteOffChoice
{
    /// <summary>As the rules propose: written off within the short-pay allowance, open otherwise.</summary>
    Proposed,

    /// <summary>Written off, whatever the allowance; beyond it that takes authority and a reason.</summary>
    Whole,

    /// <summary>Not written off: it stays open.</summary>
    Refuse,
}
